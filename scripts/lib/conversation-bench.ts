import { get } from 'node:http';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { chromium } from '@playwright/test';
import type { Knex } from 'knex';
import { ARRANGEMENTS, type Arrangement } from '@/core/posts/arrange';
import { summarise } from '@/core/counting/summary';
import { personId, type Instant } from '@/core/ids';
import { currentTime, moveClock } from '@/server/clock/clock';
import { enterDiscussion } from '@/server/access/enter';
import { conversation } from '@/server/discussions/conversation';
import { realClock } from './database';
import { ROOM } from './conversation-seed';
import { CHROMIUM } from './debian';

/** One line of the table: what was measured, beside what it is measured against. */
export type ConversationFigure = {
  name: string;
  figure: number;
  unit: string;
  baseline: number | null;
  most: number;
  good: boolean;
};

const at = (numbers: readonly number[], share: number) =>
  [...numbers].sort((a, b) => a - b)[Math.min(numbers.length - 1, Math.floor(numbers.length * share))] ?? NaN;

const ROUNDS = 80;

/** The rows that a page of the room is made of, as plain SQL fetches them: the list, and the texts it shows. */
async function plainRows(db: Knex, as: Arrangement, shown: readonly number[]) {
  await db.raw(
    `select p.id, p.author_id, a.name, e.role, p.kind, p.parent_id, p.private_to, p.shared_at, p.withdrawn_at, p.hidden_at,
       p.hidden_reason, p.pinned_at, p.locked_at, v.n, v.title, v.opening, v.own_words, v.pictured, v.carries,
       m.post_id is not null as read
     from posts p join post_texts v on v.post_id = p.id join people a on a.id = p.author_id
     join enrolments e on e.course_id = p.course_id and e.person_id = p.author_id
     left join reads m on m.course_id = p.course_id and m.discussion_id = p.discussion_id
       and m.person_id = md5('person 1')::uuid and m.post_id = p.id
     where p.discussion_id = md5(?)::uuid order by p.shared_at, p.id`,
    [ROOM.slug],
  );
  if (shown.length)
    await db.raw('select post_id, doc, plain from post_versions where post_id = any(?)', [[...shown]]);
}

/** What the server does for a page of the room, against plain SQL that fetches the same rows. */
async function serverTimes(db: Knex, now: Instant, as: Arrangement): Promise<ConversationFigure> {
  const { rows } = await db.raw(`select id from people where id = md5('person 1')::uuid`);
  const actor = { id: personId(rows[0].id), name: 'Student Number 1', timeZone: 'UTC', previousVisit: null };
  const { rows: first } = await db.raw(
    `select parent_id as id from posts where discussion_id = md5(?)::uuid and parent_id is not null group by 1
     order by count(*) desc limit 1`,
    [ROOM.slug],
  );
  const post = Number(first[0].id);
  const ask = { post, filter: null, as };
  const once = async () => {
    const room = await conversation({ db, now }, actor, ROOM.slug, ask);
    if (!room.ok) throw new Error('the room is not open');
    return room.value.posts.map((p) => p.id as number);
  };
  const shown = await once();
  const plain: number[] = [];
  const ours: number[] = [];
  for (let i = 0; i < ROUNDS + 10; i += 1) {
    let began = performance.now();
    await plainRows(db, as, shown);
    const bare = performance.now() - began;
    began = performance.now();
    await once();
    // The first rounds warm both up.
    if (i < 10) continue;
    plain.push(bare);
    ours.push(performance.now() - began);
  }
  const ratio = at(ours, 0.95) / at(plain, 0.95);
  return {
    name: `server, ${as}, p95 as a ratio to plain SQL`,
    figure: ratio,
    unit: `× (${at(ours, 0.95).toFixed(1)} ms)`,
    baseline: at(plain, 0.95),
    most: 3,
    good: ratio <= 3,
  };
}

/** How many bytes of a page go over the wire, compressed as the server compresses. */
const bytesOf = (url: string, cookie: string) =>
  new Promise<{ bytes: number; ms: number; status: number }>((resolve, reject) => {
    const began = performance.now();
    get(url, { headers: { cookie, 'accept-encoding': 'gzip', accept: 'text/html' } }, (answer) => {
      let bytes = 0;
      answer.on('data', (piece: Buffer) => (bytes += piece.length));
      answer.on('end', () =>
        resolve({ bytes, ms: performance.now() - began, status: answer.statusCode ?? 0 }),
      );
    }).on('error', reject);
  });

async function pageSize(base: string, cookie: string, as: Arrangement): Promise<ConversationFigure> {
  const { bytes, status } = await bytesOf(`${base}/discussions/${ROOM.slug}/conversation?as=${as}`, cookie);
  if (status !== 200) throw new Error(`the room answered ${status}`);
  const kb = bytes / 1_000;
  return {
    name: `first page, ${as}, compressed`,
    figure: kb,
    unit: 'kB',
    baseline: null,
    most: 150,
    good: kb <= 150,
  };
}

async function findTime(base: string, cookie: string): Promise<ConversationFigure> {
  const times: number[] = [];
  for (let i = 0; i < 40; i += 1) {
    const word = ['ferry', 'culvert', 'towpath', 'wier'][i % 4] ?? '';
    const { ms } = await bytesOf(
      `${base}/discussions/${ROOM.slug}/conversation?as=headlines&words=${word}`,
      cookie,
    );
    if (i >= 8) times.push(ms);
  }
  const bare: number[] = [];
  for (let i = 0; i < 40; i += 1) bare.push((await bytesOf(`${base}/bench/bare`, cookie)).ms);
  const p95 = at(times, 0.95);
  return {
    name: 'find within the discussion, p95',
    figure: p95,
    unit: 'ms',
    baseline: at(bare, 0.95),
    most: 200,
    good: p95 < 200,
  };
}

/** The longest task of the drawing thread while somebody scrolls through the room. */
async function scrolling(base: string, cookie: string, as: Arrangement): Promise<ConversationFigure> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    });
    const [name = '', value = ''] = cookie.split('=');
    await context.addCookies([{ name, value, url: base }]);
    const page = await context.newPage();
    const filter = as === 'threads' ? '&show=all' : '';
    await page.goto(`${base}/discussions/${ROOM.slug}/conversation?as=${as}${filter}`);
    await page.waitForLoadState('networkidle');
    await wait(1_500);
    await page.evaluate(() => {
      const seen: number[] = [];
      Object.assign(window, { longTasks: seen });
      new PerformanceObserver((list) => seen.push(...list.getEntries().map((e) => e.duration))).observe({
        entryTypes: ['longtask'],
      });
    });
    await page.mouse.move(as === 'threads' ? 150 : 640, 500);
    for (let i = 0; i < 60; i += 1) {
      await page.mouse.wheel(0, 500);
      await wait(50);
    }
    const longest = await page.evaluate(() =>
      Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks),
    );
    return {
      name: `longest task while scrolling, ${as}`,
      figure: longest,
      unit: longest === 0 ? 'ms (none over 50)' : 'ms',
      baseline: null,
      most: 50,
      good: longest <= 50,
    };
  } finally {
    await browser.close();
  }
}

const doc = (text: string) => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
});
const BODY =
  'The ferry stopped because the bank had moved, and nobody had told those who wait there every morning in winter. ';

async function shareOver(base: string, cookie: string, slug: string, input: object) {
  return fetch(`${base}/discussions/${slug}/posts`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' },
    body: JSON.stringify({ kind: 'response', parent: null, title: '', private: false, ...input }),
  });
}

const LISTENERS = 500;
const SHARES = 30;

/** How long it takes from sending a share until each of 500 listeners, at two processes, has heard of it. */
async function listeners(
  bases: readonly string[],
  cookies: readonly string[],
): Promise<ConversationFigure[]> {
  const heard = new Map<number, number[]>();
  const doubles = new Set<string>();
  let wrong = 0;
  const streams = await Promise.all(
    Array.from({ length: LISTENERS }, async (_, i) => {
      const cookie = cookies[i % cookies.length] ?? '';
      const base = bases[i % bases.length] ?? '';
      const end = new AbortController();
      const answer = await fetch(`${base}/discussions/${ROOM.slug}/live?after=1000000`, {
        headers: { cookie },
        signal: end.signal,
      });
      if (!answer.ok || !answer.body) throw new Error(`a listener was answered ${answer.status}`);
      const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
      const listen = async () => {
        for (;;) {
          const { value, done } = await reader.read();
          if (done) return;
          const now = performance.now();
          for (const m of value.matchAll(/"n":\d+,"act":"shared","post":(\d+)/gu)) {
            const post = Number(m[1]);
            if (doubles.has(`${i} ${post}`)) wrong += 1;
            doubles.add(`${i} ${post}`);
            heard.set(post, [...(heard.get(post) ?? []), now]);
          }
        }
      };
      void listen().catch(() => {});
      return end;
    }),
  );
  await wait(1_000);
  const delays: number[] = [];
  for (let i = 0; i < SHARES; i += 1) {
    const began = performance.now();
    const answer = await shareOver(bases[i % bases.length] ?? '', cookies[i] ?? '', ROOM.slug, {
      submission: randomUUID(),
      doc: doc(`${i}: ${BODY.repeat(3)}`),
    });
    const { post } = (await answer.json()) as { post?: number };
    if (!post) throw new Error(`a share was answered ${answer.status}`);
    for (let tries = 0; tries < 100 && (heard.get(post)?.length ?? 0) < LISTENERS; tries += 1) await wait(50);
    const times = heard.get(post) ?? [];
    wrong += LISTENERS - times.length;
    delays.push(...times.map((t) => t - began));
  }
  for (const stream of streams) stream.abort();
  const p95 = at(delays, 0.95);
  return [
    {
      name: `a share reaches ${LISTENERS} listeners, p95`,
      figure: p95,
      unit: 'ms',
      baseline: at(delays, 0.5),
      most: 500,
      good: p95 <= 500,
    },
    {
      name: 'shares missed or heard twice',
      figure: wrong,
      unit: '',
      baseline: null,
      most: 0,
      good: wrong === 0,
    },
  ];
}

const SHARERS = 200;
const LAST_MS = 30_000;
/** Some come after the last moment, so that refusing is measured too. */
const TOO_LATE_MS = 3_000;

/** 200 students share in the last 30 seconds, each twice as a lost answer makes them, through two processes. */
async function deadline(
  db: Knex,
  bases: readonly string[],
  cookies: readonly string[],
  due: Instant,
): Promise<ConversationFigure[]> {
  await moveClock(db, realClock, (due - LAST_MS) as Instant);
  const offset = (await currentTime(db, realClock)) - Date.now();
  const times: number[] = [];
  let unanswered = 0;
  let outside = 0;
  const accepted = new Map<number, number>();
  await Promise.all(
    Array.from({ length: SHARERS }, async (_, i) => {
      // The last tenth of them is too late; the nearer the deadline, the more come.
      const when = LAST_MS + TOO_LATE_MS - (LAST_MS + TOO_LATE_MS) * ((i + 0.5) / SHARERS) ** 1.5;
      await wait(when);
      const input = { submission: randomUUID(), doc: doc(`Student ${i}: ${BODY.repeat(2)}`) };
      const began = Date.now();
      const send = async (n: number) => {
        const sent = performance.now();
        const answer = await shareOver(
          bases[(i + n) % bases.length] ?? '',
          cookies[i] ?? '',
          ROOM.empty,
          input,
        );
        const said = (await answer.json()) as { ok: boolean; post?: number; code?: string };
        times.push(performance.now() - sent);
        return said;
      };
      const answers = await Promise.all([0, 1].map((n) => send(n).catch(() => null)));
      unanswered += answers.filter((a) => a === null || a.code === 'unexpected').length;
      const ended = Date.now();
      const post = answers.find((a) => a?.ok)?.post;
      if (post) accepted.set(post, i);
      // What was sent a while before the last moment is taken, what was sent after it never.
      const inTime = ended + offset < due;
      const late = began + offset >= due;
      if ((inTime && !post) || (late && post)) outside += 1;
    }),
  );
  const stored: { id: number; author_id: string; shared_at: number }[] = await db('posts')
    .whereRaw('discussion_id = md5(?)::uuid', [ROOM.empty])
    .select('id', 'author_id', 'shared_at');
  const authors = new Set(stored.map((p) => p.author_id));
  const once = stored.length === authors.size && stored.length === accepted.size;
  const known = stored.every((p) => accepted.has(p.id) && p.shared_at < due);
  let counted = 0;
  const now = await currentTime(db, realClock);
  for (const { author_id } of stored) {
    const actor = { id: personId(author_id), name: '', timeZone: 'UTC', previousVisit: null };
    const door = await enterDiscussion({ db, now }, actor, ROOM.empty);
    if (door.ok && door.value.ledger && !summarise(door.value.ledger, now).owedResponse) counted += 1;
  }
  const line = (name: string, figure: number, good: boolean, most: number): ConversationFigure => ({
    name,
    figure,
    unit: `of ${SHARERS}`,
    baseline: null,
    most,
    good,
  });
  return [
    line('at the deadline: requests without an answer', unanswered, unanswered === 0, 0),
    line('taken too late, or refused in time', outside, outside === 0, 0),
    line(`posts stored twice or lost (${stored.length} stored)`, once && known ? 0 : 1, once && known, 0),
    line('stored and not counted', stored.length - counted, stored.length === counted, 0),
    {
      name: 'answer at the deadline, p95',
      figure: at(times, 0.95),
      unit: 'ms',
      baseline: at(times, 0.5),
      most: 2_000,
      good: at(times, 0.95) <= 2_000,
    },
  ];
}

/** Measures a room of 2,000 posts, 500 who listen to it, and 200 who share at the last moment. */
export async function measureConversation(
  db: Knex,
  bases: readonly string[],
  cookies: readonly string[],
  moments: { now: Instant; due: Instant },
): Promise<ConversationFigure[]> {
  const [base = ''] = bases;
  const [cookie = ''] = cookies;
  const figures: ConversationFigure[] = [];
  for (const as of ARRANGEMENTS) figures.push(await serverTimes(db, moments.now, as));
  for (const as of ARRANGEMENTS) figures.push(await pageSize(base, cookie, as));
  for (const as of ARRANGEMENTS) figures.push(await scrolling(base, cookie, as));
  figures.push(await findTime(base, cookie));
  figures.push(...(await listeners(bases, cookies)));
  figures.push(...(await deadline(db, bases, cookies, moments.due)));
  return figures;
}
