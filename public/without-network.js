/*
 * Keeps the pages one writes on, and what they are made of, so that they open without a network. A page is always asked for
 * first; the kept one is only for when nobody answers. Signing out, or in, takes all of it away.
 */
const PAGES = 'pulpit-pages-1';
/** What pages are made of: the same for everybody. */
const PARTS = 'pulpit-parts-1';
const MOST = 300;
const WRITING = /^\/discussions\/[^/]+\/(?:response|conversation|posts\/\d+\/edit)$/;
/** And those one reads on the way: the week, what is to be done, readings. */
const READING =
  /^\/(?:$|discussions$|discussions\/[^/]+\/part$|courses\/[^/]+\/weeks\/\d+$|readings\/[^/]+$)/;
/** What another application shares lands here: it is kept on this machine until the page that asks what it is has it. */
const SHARED_TO = '/outside/shared';
const SHARED = 'pulpit-shared-1';
/** After these somebody else may sit here. */
const ANOTHER = /^\/sign-(?:out|in\/(?:enter|second\/enter|passkey))$/;
/** The college's own sign-on leads back here, and asks to sign in where it fails. */
const COMING = /^\/sign-in(?:\/elsewhere\/back)?$/;
const FIXED = /^\/(?:_next\/static|dictionaries)\//;

/** Shown where a page is not kept and nobody answers. */
const NOTHING = '/without-network.html';

/** When a page was kept, and for how long it is shown without asking: a session may have ended meanwhile. */
const KEPT = 'x-kept-at';
const LONGEST_KEPT = 7 * 86_400_000;

/** @param {Response} answer */
function stamped(answer) {
  const headers = new Headers(answer.headers);
  headers.set(KEPT, String(Date.now()));
  return new Response(answer.body, { status: answer.status, headers });
}

/** @param {Cache} cache */
async function letOldestGo(cache) {
  const keys = await cache.keys();
  await Promise.all(keys.slice(0, Math.max(0, keys.length - MOST)).map((key) => cache.delete(key)));
}

/** Content whose address changes when it does: what is here is right. @param {Request} request */
async function fixed(request) {
  const cache = await caches.open(PARTS);
  const known = await cache.match(request);
  // Its own address stays with the request: a worker's says in its fragment which worker it is, and what is kept has none.
  if (known) return new Response(known.body, { status: known.status, headers: known.headers });
  const answer = await fetch(request);
  if (answer.ok) {
    await cache.put(request, answer.clone());
    await letOldestGo(cache);
  }
  return answer;
}

/** @param {Request} request */
async function page(request) {
  const cache = await caches.open(PAGES);
  try {
    const answer = await fetch(request);
    if (answer.ok && answer.type === 'basic') {
      // Taken out first: what was visited last goes last.
      await cache.delete(request);
      await cache.put(request, stamped(answer.clone()));
      await letOldestGo(cache);
    }
    return answer;
  } catch (error) {
    const known = await cache.match(request);
    if (known && Date.now() - Number(known.headers.get(KEPT)) < LONGEST_KEPT) return known;
    throw error;
  }
}

/** What a page is made of, as it names it: a page that is kept before anybody opened it needs that, too. */
const NAMED = /(?:\/_next\/)?static\/(?:chunks|css|media)\/[\w./%~()[\]-]+?\.(?:js|css|woff2)/g;
const MOST_NAMED = 150;

/** @param {Response} answer */
async function keepPartsOf(answer) {
  const names = new Set((await answer.text()).match(NAMED) ?? []);
  const cache = await caches.open(PARTS);
  for (const name of [...names].slice(0, MOST_NAMED)) {
    const address = name.startsWith('/') ? name : `/_next/${name}`;
    if (await cache.match(address)) continue;
    const part = await fetch(address).catch(() => null);
    if (part?.ok) await cache.put(address, part);
  }
}

/** What the server has anyway goes from this machine's copies of drafts; what it does not have stays. */
function forgetKept() {
  return new Promise((resolve) => {
    const opening = indexedDB.open('pulpit-drafts');
    opening.onerror = () => resolve(undefined);
    opening.onsuccess = () => {
      const db = opening.result;
      const done = () => {
        db.close();
        resolve(undefined);
      };
      if (!db.objectStoreNames.contains('drafts')) return done();
      const work = db.transaction('drafts', 'readwrite');
      const walk = work.objectStore('drafts').openCursor();
      walk.onsuccess = () => {
        const here = walk.result;
        if (!here) return;
        if (here.value.kept) here.delete();
        here.continue();
      };
      work.oncomplete = done;
      work.onabort = done;
    };
  });
}

/** Keeps what was shared, and leads to the page that reads it. @param {Request} request */
async function shared(request) {
  const form = await request.formData();
  await caches.delete(SHARED);
  const cache = await caches.open(SHARED);
  const said = ['title', 'text', 'url']
    .map((name) => form.get(name))
    .filter((v) => typeof v === 'string' && v);
  await cache.put('/text', new Response(said.join('\n\n')));
  const files = form.getAll('file').filter((file) => file instanceof File && file.size > 0);
  await Promise.all(
    files.slice(0, 6).map((file, i) =>
      cache.put(
        `/file/${i}`,
        new Response(file, {
          headers: { 'content-type': file.type, 'x-name': encodeURIComponent(file.name) },
        }),
      ),
    ),
  );
  return Response.redirect('/outside/new?shared=yes', 303);
}

/** @param {Request} request */
async function leave(request) {
  await Promise.all([caches.delete(PAGES), caches.delete(SHARED), forgetKept()]);
  return fetch(request);
}

/** Any other page: asked for, and where nobody answers it is said that there is no network. @param {Request} request */
async function other(request) {
  try {
    return await fetch(request);
  } catch (error) {
    const known = await (await caches.open(PARTS)).match(NOTHING);
    if (known) return known;
    throw error;
  }
}

/** A notice that was sent to this device. Whatever else came, something is shown: a browser asks that of who may send. */
self.addEventListener('push', (event) => {
  let told = { title: 'Pulpit', body: '', to: '/notices', tag: 'pulpit' };
  try {
    told = { ...told, ...event.data.json() };
  } catch {
    // Nothing that can be read: the page says what there is.
  }
  event.waitUntil(
    self.registration.showNotification(told.title, {
      body: told.body,
      tag: told.tag,
      data: { to: told.to },
      icon: '/icons/pulpit-192.png',
      badge: '/icons/badge-96.png',
    }),
  );
});
self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const to = new URL(event.notification.data?.to ?? '/notices', self.location.origin);
  if (to.origin !== self.location.origin) return;
  event.waitUntil(
    // A page that is open may hold words that are not kept yet: it is not led away.
    self.clients.openWindow(to.href),
  );
});

self.addEventListener('install', (event) => {
  self.skipWaiting();
  event.waitUntil(caches.open(PARTS).then((cache) => cache.add(NOTHING)));
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  if (request.method === 'POST' && url.pathname === SHARED_TO) event.respondWith(shared(request));
  else if (request.method === 'POST' && ANOTHER.test(url.pathname)) event.respondWith(leave(request));
  else if (request.method !== 'GET') return;
  // Whoever is asked to sign in has no session here any more, however it ended.
  else if (request.mode === 'navigate' && COMING.test(url.pathname)) event.respondWith(leave(request));
  else if (FIXED.test(url.pathname)) event.respondWith(fixed(request));
  else if (request.mode === 'navigate' && (WRITING.test(url.pathname) || READING.test(url.pathname)))
    event.respondWith(page(request).catch(() => other(request)));
  else if (request.mode === 'navigate') event.respondWith(other(request));
});
// The page that brought this worker came before it: it says what it is made of.
self.addEventListener('message', (event) => {
  event.waitUntil(
    (async () => {
      for (const address of event.data.keep) {
        const part = FIXED.test(new URL(address).pathname);
        const cache = await caches.open(part ? PARTS : PAGES);
        const known = await cache.match(address);
        const age = known && !part ? Date.now() - Number(known.headers.get(KEPT)) : 0;
        if (known && age < (event.data.again ?? LONGEST_KEPT)) continue;
        const answer = await fetch(address).catch(() => null);
        if (!answer?.ok || answer.redirected) continue;
        if (!part) await keepPartsOf(answer.clone());
        await cache.put(address, part ? answer : stamped(answer));
      }
    })(),
  );
});
