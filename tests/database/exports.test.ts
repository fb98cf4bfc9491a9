import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Knex } from 'knex';
import type { Actor } from '@/server/deps';
import { moderate } from '@/server/posts/moderation';
import { discussionToTake } from '@/server/discussions/export';
import { changeDiscussionFeed, readDiscussionFeed, exportPage } from '@/server/discussions/feed';
import { changePost } from '@/server/posts/change';
import { atomText } from '@/server/discussions/atom';
import { feedWords } from '@/ui/words/export';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';
import { postId } from '@/core/ids';

const run = promisify(execFile);

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeEach(async () => {
  world = await smallCourse(`take_along_${Math.floor(performance.now())}`);
  db = world.db;
});
afterEach(() => db.destroy());

const WHEN = 'Tue 12:00';
const SEEN_FROM = { origin: 'https://pulpit.example', self: 'https://pulpit.example/feeds/abc/posts.atom' };
const clock = { real: () => on(WHEN) };

/** Makes somebody's feed and answers with its token. */
async function tokenOf(who: Actor, slug: string) {
  const made = await changeDiscussionFeed(deps(db, WHEN), who, slug, 'make');
  const page = await exportPage(deps(db, WHEN), who, slug, made.ok ? made.value.token : null);
  const path = page.ok ? page.value.feed?.path : null;
  return /^\/feeds\/([\w-]+)\/posts\.atom$/u.exec(path ?? '')?.[1] ?? '';
}
const feedOf = async (token: string) => {
  const feed = await readDiscussionFeed(db, clock, token);
  return feed.ok ? feed.value : null;
};

describe('the feed of a discussion', () => {
  it('holds what the page shows its owner, the newest first, and says when it was read', async () => {
    const { imani, noor, jun, holt } = world.people;
    const first = (await shared(db, noor, OPEN, 'Tue 10:00', shareInput('What Noor wrote.'))).post;
    const rude = (await shared(db, jun, OPEN, 'Tue 10:10', shareInput('What Jun wrote.'))).post;
    const toJun = { kind: 'reply' as const, parent: rude, private: true };
    await shared(db, noor, OPEN, 'Tue 10:20', shareInput('Between us two.', toJun));
    await changePost(deps(db, 'Tue 11:00'), noor, OPEN, postId(first), {
      title: '',
      doc: text('What Noor wrote anew.'),
    });
    const token = await tokenOf(imani, OPEN);
    expect(token.length).toBeGreaterThanOrEqual(40);
    expect((await feedOf(token))?.posts.map((p) => Number(p.id))).toEqual([first, rude]);
    await moderate(deps(db, 'Tue 11:30'), holt, OPEN, rude, { act: 'hide', reason: 'Rude.' });
    expect((await feedOf(token))?.posts.map((p) => Number(p.id))).toEqual([first]);
    const page = await exportPage(deps(db, WHEN), imani, OPEN, null);
    expect(page.ok && page.value.feed).toMatchObject({ path: null, lastRead: on(WHEN) });
    const whispered = await feedOf(await tokenOf(jun, OPEN));
    expect(whispered?.posts.map((p) => p.privateTo)).toContain('Jun Hathaway');
  });

  it('is sealed exactly as the page is, and opens with one’s own response', async () => {
    const { imani, noor } = world.people;
    await shared(db, noor, SEALED, 'Tue 10:00', shareInput('heron nests in the meadow'));
    const token = await tokenOf(imani, SEALED);
    const sealed = await feedOf(token);
    expect(sealed).toMatchObject({ sealed: true, posts: [] });
    expect(sealed && atomText(sealed, SEEN_FROM, feedWords)).not.toMatch(/heron|Noor/u);
    expect(await discussionToTake(deps(db, WHEN), imani, SEALED)).toMatchObject({
      failure: { code: 'sealed' },
    });
    await shared(db, imani, SEALED, 'Tue 11:00', shareInput('My own thought.'));
    expect((await feedOf(token))?.posts).toHaveLength(2);
    const taken = await discussionToTake(deps(db, WHEN), imani, SEALED);
    expect(JSON.stringify(taken)).toContain('heron');
  });

  it('is dead once it is stopped, replaced, or its owner has left the course', async () => {
    const { imani } = world.people;
    const first = await tokenOf(imani, OPEN);
    const second = await tokenOf(imani, OPEN);
    expect(second).not.toBe(first);
    expect(await feedOf(first)).toBeNull();
    expect(await feedOf(second)).not.toBeNull();
    await changeDiscussionFeed(deps(db, WHEN), imani, OPEN, 'revoke');
    expect(await feedOf(second)).toBeNull();
    const third = await tokenOf(imani, OPEN);
    await db('enrolments').where({ person_id: imani.id }).delete();
    expect(await feedOf(third)).toBeNull();
    expect(await feedOf('x'.repeat(43))).toBeNull();
  });

  it('cannot be made for a course one is not in', async () => {
    expect(await changeDiscussionFeed(deps(db, WHEN), world.people.stranger, OPEN, 'make')).toMatchObject({
      failure: { code: 'not-found' },
    });
  });
});

describe('a feed reader of Debian’s', () => {
  let server: Server;
  let folder: string;
  let atom = '';
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'pulpit-feed-'));
    server = createServer((_, answer) => {
      answer.setHeader('content-type', 'application/atom+xml; charset=utf-8');
      answer.end(atom);
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  });
  afterEach(async () => {
    await new Promise((done) => server.close(done));
    rmSync(folder, { recursive: true });
  });

  /** Reads the address with newsboat in a process beside this one, which serves it, and asks for what it knows. */
  async function readWith(program: string) {
    const file = (name: string) => join(folder, name);
    const { port } = server.address() as AddressInfo;
    writeFileSync(file('urls'), `http://127.0.0.1:${port}/posts.atom\n`);
    writeFileSync(file('config'), 'auto-reload no\n');
    const args = ['-u', file('urls'), '-c', file('cache.db'), '-C', file('config')];
    const env = { ...process.env, HOME: folder, TERM: 'dumb' };
    await run(program, [...args, '-x', 'reload'], { env, timeout: 60_000 });
    const known = 'select title, author, url, content, pubDate as at from rss_item order by id';
    const { stdout } = await run('sqlite3', ['-json', file('cache.db'), known]);
    return JSON.parse(stdout || '[]') as {
      title: string;
      author: string;
      url: string;
      content: string;
      at: number;
    }[];
  }

  it('reads every post with its author, link, time and text', async () => {
    const { imani, noor, jun } = world.people;
    const first = await shared(
      db,
      noor,
      OPEN,
      'Tue 10:00',
      shareInput('Walls & <meadows> “held”.', { title: 'A <b>wall</b>' }),
    );
    await shared(
      db,
      jun,
      OPEN,
      'Tue 10:30',
      shareInput('An answer\u0001 to it.', { kind: 'reply', parent: first.post }),
    );
    const feed = await feedOf(await tokenOf(imani, OPEN));
    if (!feed) throw new Error('no feed');
    atom = atomText(feed, SEEN_FROM, feedWords);
    const items = await readWith('newsboat');
    expect(items).toHaveLength(2);
    const page = `https://pulpit.example/discussions/${OPEN}/conversation`;
    expect(items.find((i) => i.url === `${page}?post=${first.post}`)).toMatchObject({
      title: expect.stringContaining('Response by Noor Vasquez: A'),
      author: 'Noor Vasquez',
      content: expect.stringContaining('Walls &amp; &lt;meadows&gt; “held”.'),
      at: on('Tue 10:00') / 1_000,
    });
    expect(items.some((i) => i.title.startsWith(`Reply by Jun Hathaway to #${first.post}`))).toBe(true);
  });

  it('is a feed that a library in another language reads whole, with who answers whom', async () => {
    const { imani, noor, jun } = world.people;
    const first = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('Walls.', { title: 'A <b>]]> wall' }));
    const kind = { kind: 'reply' as const, parent: first.post };
    const answer = await shared(db, jun, OPEN, 'Tue 10:30', shareInput('An answer to it.', kind));
    const feed = await feedOf(await tokenOf(imani, OPEN));
    if (!feed) throw new Error('no feed');
    writeFileSync(join(folder, 'feed.xml'), atomText(feed, SEEN_FROM, feedWords));
    await run('xmllint', ['--noout', join(folder, 'feed.xml')]);
    const program = `import feedparser, json, sys
feed = feedparser.parse(sys.argv[1])
print(json.dumps({"wrong": bool(feed.bozo), "links": [[l.rel, l.href] for l in feed.feed.links],
  "entries": [[e.id, e.title, e.get("thr_in-reply-to", {}).get("ref")] for e in feed.entries]}))`;
    const { stdout } = await run('/usr/bin/python3', ['-c', program, join(folder, 'feed.xml')]);
    const page = `https://pulpit.example/discussions/${OPEN}/conversation`;
    expect(JSON.parse(stdout)).toEqual({
      wrong: false,
      links: [
        ['alternate', page],
        ['self', SEEN_FROM.self],
      ],
      entries: [
        [`${page}?post=${answer.post}`, expect.stringContaining('An answer'), `${page}?post=${first.post}`],
        [`${page}?post=${first.post}`, expect.stringContaining('A &lt;b&gt;]]&gt; wall'), null],
      ],
    });
  });

  it('reads a feed in which there is nothing yet', async () => {
    const feed = await feedOf(await tokenOf(world.people.imani, OPEN));
    if (!feed) throw new Error('no feed');
    atom = atomText(feed, SEEN_FROM, feedWords);
    expect(await readWith('newsboat')).toEqual([]);
  });
});
