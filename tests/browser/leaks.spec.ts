import { expect, test, type Page } from './test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTexts } from '@/standins/world/parse-texts';
import { enterAs, startAfresh } from './help';

test.beforeAll(() => startAfresh());

const SLUG = 'geo-115-w6';
const posts = parseTexts(SLUG, readFileSync(join('src/standins/world/texts', `${SLUG}.md`), 'utf8'));
const every = posts.flatMap((p) => [p, ...p.replies]);
/** A distinctive piece of every classmate's text and title of the sealed discussion. */
const secrets = [
  ...posts.map((p) => p.title).filter((t) => t.length > 8),
  ...every.map(
    (p) =>
      p.body
        .replace(/^(\d+:|>) ?/gmu, '')
        .trim()
        .split('\n')[0]
        ?.slice(0, 60) ?? '',
  ),
].filter((s) => s.length > 8);

/** Collects every response body that reaches the browser while a test runs. */
function listen(page: Page): () => Promise<string> {
  const bodies: Promise<string>[] = [];
  page.on('response', (r) => bodies.push(r.text().catch(() => '')));
  return async () => (await Promise.all(bodies)).join('\n');
}

test('a sealed discussion leaks nothing in any response body, whatever address is asked for', async ({
  page,
}) => {
  expect(secrets.length).toBeGreaterThan(25);
  const seen = listen(page);
  await enterAs(page, 'Imani Okoro');
  const paths = [
    '/',
    '/discussions',
    `/discussions/${SLUG}`,
    '/courses/geo-115',
    '/courses/geo-115/weeks/6',
    '/calendar',
    '/calendar/plan',
    ...[
      'levee',
      'river OR wall OR meadow',
      'from:noor',
      'from:desmond in:geo',
      'levees -zzz',
      'meadwos',
    ].flatMap((q) => [`/find?q=${encodeURIComponent(q)}`, `/find/results?q=${encodeURIComponent(q)}`]),
    ...['response', 'conversation', 'part'].map((room) => `/discussions/${SLUG}/${room}`),
    `/discussions/${SLUG}/conversation?show=no-replies`,
    ...Array.from({ length: 40 }, (_, i) => `/discussions/${SLUG}/conversation?post=${175 + i}`),
    // Another discussion's address with this one's post numbers.
    ...Array.from({ length: 8 }, (_, i) => `/discussions/pla-204-w6/conversation?post=${176 + i * 5}`),
  ];
  for (const path of paths) {
    const page_ = await page.request.get(path);
    const data = await page.request.get(path, { headers: { rsc: '1' } });
    const bodies = `${await page_.text()}\n${await data.text()}`;
    for (const secret of secrets) expect(bodies, `${path} tells “${secret}”`).not.toContain(secret);
  }
  await page.goto(`/discussions/${SLUG}/conversation`);
  await expect(page.getByRole('heading', { name: 'This conversation is sealed' })).toBeVisible();
  await expect(page.getByText('12 classmates have shared a response.')).toBeVisible();
  await page.goto(`/discussions/${SLUG}/response`);
  await page.goto('/');
  const all = await seen();
  expect(all.length).toBeGreaterThan(50_000);
  for (const secret of secrets) expect(all).not.toContain(secret);
});

test('the same words do reach the browser of somebody who has shared a response', async ({ page }) => {
  await enterAs(page, 'Noor Vasquez', `/discussions/${SLUG}/conversation`);
  const text = await (await page.request.get(`/discussions/${SLUG}/conversation`)).text();
  expect(text).toContain('Storage is not the same as safety');
});

test('writing by hand into a sealed discussion is refused', async ({ page, baseURL }) => {
  await enterAs(page, 'Imani Okoro');
  const post = (over: object) =>
    page.request.post(`/discussions/${SLUG}/posts`, {
      headers: { origin: baseURL ?? '' },
      data: {
        kind: 'reply',
        parent: 220,
        submission: '00000000-0000-4000-8000-000000000001',
        title: '',
        doc: {
          type: 'doc',
          content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Hello there' }] }],
        },
        private: false,
        ...over,
      },
    });
  const refused = await post({});
  expect(refused.status()).toBe(409);
  expect(await refused.json()).toMatchObject({ ok: false, code: 'sealed' });
  const script = {
    type: 'text',
    text: 'x',
    marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }],
  };
  const bad = await post({
    kind: 'response',
    parent: null,
    doc: { type: 'doc', content: [{ type: 'paragraph', content: [script] }] },
  });
  expect(await bad.json()).toMatchObject({ ok: false, code: 'document-malformed' });
  const foreign = await page.request.post(`/discussions/${SLUG}/posts`, {
    headers: { origin: 'https://elsewhere.example', 'sec-fetch-site': 'cross-site' },
    data: {},
  });
  expect(foreign.status()).toBe(403);
});

test('without signing in there is nothing to see', async ({ page, request }) => {
  for (const path of ['/', '/discussions', `/discussions/${SLUG}/conversation?post=220`]) {
    await page.goto(path);
    await expect(page).toHaveURL(/\/sign-in\?to=/u);
  }
  const put = await request.put(`/discussions/${SLUG}/draft`, { data: {} });
  expect(put.status()).toBe(401);
});

test('cookies cannot be read by scripts and are not sent by other sites’ forms', async ({
  page,
  context,
}) => {
  await enterAs(page, 'Imani Okoro');
  const cookie = (await context.cookies()).find((c) => c.name === 'pulpit-session');
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
});

test('every page has a policy with a number of its own, and no script without it runs', async ({ page }) => {
  const policies = new Set<string>();
  await enterAs(page, 'Imani Okoro');
  for (const path of ['/', '/', '/account', '/discussions/pla-204-w6/conversation', '/no/such/page']) {
    const answer = await page.request.get(path);
    const policy = answer.headers()['content-security-policy'] ?? '';
    const nonce = /script-src 'self' 'nonce-([0-9a-f]{32})';/u.exec(policy)?.[1] ?? 'none';
    policies.add(nonce);
    const scripts = [...(await answer.text()).matchAll(/<script\b([^>]*)>/gu)].map((m) => m[1] ?? '');
    expect(scripts.length).toBeGreaterThan(1);
    for (const attributes of scripts) expect(attributes, path).toContain(`nonce="${nonce}"`);
  }
  expect(policies.size).toBe(5);
  // What a client says of it itself is written over.
  const forged = await page.request.get('/', {
    headers: { 'x-pulpit-nonce': 'mine', 'content-security-policy': "script-src 'nonce-mine'" },
  });
  expect(await forged.text()).not.toContain('mine"');
});
