import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { isStaff, postId, type PostId, type Role } from '@/core/ids';
import { ARRANGEMENTS } from '@/core/posts/arrange';
import { THREAD_FILTERS } from '@/core/posts/filters';
import { moderate, moderationPage } from '@/server/posts/moderation';
import type { Actor } from '@/server/deps';
import { conversation } from '@/server/discussions/conversation';
import { discussionToTake } from '@/server/discussions/export';
import { changeDiscussionFeed, readDiscussionFeed } from '@/server/discussions/feed';
import { keepDraft } from '@/server/drafts/keep';
import { find } from '@/server/find/find';
import { liveHub, type Hub } from '@/server/live/hub';
import { listenTo, type Told } from '@/server/live/stream';
import { changePost, withdrawPost } from '@/server/posts/change';
import { glance } from '@/server/posts/glance';
import { postHistory } from '@/server/posts/history';
import { namesFor } from '@/server/posts/names';
import { share } from '@/server/posts/share';
import { pick, randomFrom, type Random } from '@/standins/classmates/random';
import { withDatabase } from '../../scripts/lib/database';
import { deps, on, OPEN, SEALED, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let hub: Hub;
afterEach(async () => {
  hub.stop();
  await db.destroy();
});

type Row = {
  id: number;
  author_id: string;
  parent_id: number | null;
  private_to: string | null;
  shared_at: number;
  withdrawn_at: number | null;
  hidden_at: number | null;
  pinned_at: number | null;
};
type Reader = { who: Actor; role: Role | null };

const readers = (): Reader[] =>
  Object.entries(world.people).map(([key, who]) => ({
    who,
    role: key === 'stranger' ? null : key === 'holt' ? 'instructor' : 'student',
  }));

/** A word that stands in no other text: what is looked for in everything that leaves the server. */
const sign = (n: number) => `sign${String.fromCharCode(...[...String(n)].map((d) => 97 + Number(d)))}zz`;

/** One random thing that somebody does, through the functions by which people do it; much of it is refused. */
async function happen(random: Random, minute: number, n: number, slug: string, posts: Row[]) {
  const now = { db, now: (on('Tue 08:00') + minute * 60_000) as never };
  // One student never says anything: behind the seal to the end.
  const { who } = pick(
    readers().filter((r) => r.who !== world.people.kwame),
    random,
  );
  const any = posts.length ? pick(posts, random) : null;
  const roll = random();
  const body = text(`Words with ${sign(n)} in them.`);
  if (roll < 0.25 || !any) return share(now, who, slug, { ...shareInput(''), doc: body });
  const { id } = any;
  if (roll < 0.65)
    return share(now, who, slug, {
      ...shareInput(''),
      kind: 'reply',
      parent: id,
      doc: body,
      private: random() < 0.35,
    });
  if (roll < 0.78) {
    const author = readers().find((r) => r.who.id === any.author_id)?.who ?? who;
    return changePost(now, author, slug, postId(id), { title: '', doc: body });
  }
  if (roll < 0.86) {
    const author = readers().find((r) => r.who.id === any.author_id)?.who ?? who;
    return withdrawPost(now, author, slug, postId(id));
  }
  const act = pick(['hide', 'show', 'pin', 'unpin', 'report'] as const, random);
  return moderate(now, act === 'report' ? who : world.people.holt, slug, id, {
    act,
    reason: `Because ${sign(n)}.`,
  });
}

/** Who is in which group now, and in which each thread was begun; nothing where the discussion is the whole class's. */
let groups: Map<string, string> | null = null;
const begunIn = new Map<number, string | undefined>();

/** Puts the class into two groups, of which somebody changes in the middle of it. */
async function inGroups() {
  const { imani, noor, rafi, jun, kwame } = world.people;
  const [one, two] = [randomUUID(), randomUUID()];
  groups = new Map([imani, noor, rafi].map((p) => [p.id, one]));
  for (const p of [jun, kwame]) groups.set(p.id, two);
  await db('discussions').update({ brief: db.raw(`brief || '{"grouped": true}'`) });
  for (const [i, id] of [one, two].entries())
    await db('groups').insert({ course_id: world.course, id, name: `Group ${i}` });
  for (const [person, group] of groups)
    await db('enrolments').where({ person_id: person }).update({ group_id: group });
}

/** From here on somebody is in the other group. */
async function changesGroup(who: Actor, like: Actor) {
  const group = groups?.get(like.id);
  if (!group) return;
  groups?.set(who.id, group);
  await db('enrolments').where({ person_id: who.id }).update({ group_id: group });
}

/** Notes in which group threads were begun that have come since. */
function noteGroups(rows: Row[]) {
  for (const row of rows)
    if (groups && row.parent_id === null && !begunIn.has(row.id))
      begunIn.set(row.id, row.author_id === world.people.holt.id ? 'everybody' : groups.get(row.author_id));
}

/** What may be read, told from the rows by the rules and by nothing else. */
function mayRead(rows: Row[], { who, role }: Reader, sealed: boolean) {
  const byId = new Map(rows.map((r) => [r.id, r]));
  const rootOf = (row: Row): Row => {
    const parent = row.parent_id === null ? undefined : byId.get(row.parent_id);
    return parent ? rootOf(parent) : row;
  };
  const isOfMyGroup = (row: Row): boolean => {
    if (!groups || (role !== null && isStaff(role))) return true;
    const root = rootOf(row);
    const begun = begunIn.get(root.id);
    const wroteIn = rows.some((r) => r.author_id === who.id && rootOf(r).id === root.id);
    return begun === 'everybody' || begun === groups.get(who.id) || wroteIn;
  };
  const inSight = (row: Row): boolean => {
    if (role === null || sealed) return false;
    const own = row.private_to === null || isStaff(role) || [row.author_id, row.private_to].includes(who.id);
    const parent = row.parent_id === null ? null : byId.get(row.parent_id);
    return own && isOfMyGroup(row) && (!parent || inSight(parent));
  };
  const seen = rows.filter(inSight);
  const texts = new Set(
    seen
      .filter(
        (r) =>
          (r.withdrawn_at === null && r.hidden_at === null) ||
          r.author_id === who.id ||
          (role !== null && isStaff(role)),
      )
      .map((r) => r.id),
  );
  return { seen, texts };
}

/** The tree of the rows, in the order of the list: what is pinned, then the newest; beneath, the oldest first. */
function treeOf(rows: Row[]): [number, number][] {
  const older = (a: Row, b: Row) => a.shared_at - b.shared_at || a.id - b.id;
  const walk = (row: Row, depth: number): [number, number][] => [
    [row.id, depth],
    ...rows
      .filter((r) => r.parent_id === row.id)
      .sort(older)
      .flatMap((r) => walk(r, depth + 1)),
  ];
  const top = rows.filter((r) => r.parent_id === null).sort((a, b) => older(b, a));
  return [...top.filter((r) => r.pinned_at !== null), ...top.filter((r) => r.pinned_at === null)].flatMap(
    (r) => walk(r, 0),
  );
}

async function everythingTo({ who }: Reader, slug: string, rows: Row[], token: string): Promise<string> {
  const d = deps(db, 'Wed 12:00');
  const ids = rows.map((r) => postId(r.id));
  const answers: unknown[] = [];
  for (const as of ARRANGEMENTS)
    for (const filter of THREAD_FILTERS)
      answers.push(
        await conversation(d, who, slug, { post: null, filter, as, person: world.people.noor.id }),
      );
  for (const post of ids) {
    answers.push(await conversation(d, who, slug, { post, filter: 'all', as: 'threads' }));
    answers.push(await glance(d, who, slug, post));
    answers.push(await postHistory(d, who, slug, post));
  }
  for (const words of ['words', 'them'])
    for (const as of ARRANGEMENTS)
      answers.push(await conversation(d, who, slug, { post: null, filter: null, as, words }));
  answers.push(
    { ...(await find(d, who, 'words')), ask: null },
    await namesFor(d, who, slug),
    await discussionToTake(d, who, slug),
    await readDiscussionFeed(db, { real: () => on('Wed 12:00') }, token),
    await moderationPage(d, who, slug),
    await keepDraft(d, who, slug, {
      kind: 'reply',
      parent: ids[0] ?? null,
      submission: randomUUID(),
      title: '',
      doc: text('x'),
      base: 0,
      conflict: 'tell',
    }),
  );
  return JSON.stringify(answers);
}

const rowsOf = (slug: string): Promise<Row[]> =>
  db('posts as p').join('discussions as d', 'd.id', 'p.discussion_id').where('d.slug', slug).select('p.*');

async function checkReader(
  reader: Reader,
  slug: string,
  rows: Row[],
  texts: Map<number, string[]>,
  token: string,
) {
  const { who } = reader;
  const sealed =
    slug === SEALED &&
    reader.role === 'student' &&
    !rows.some((r) => r.author_id === who.id && r.parent_id === null);
  const may = mayRead(rows, reader, sealed);
  const out = await everythingTo(reader, slug, rows, token);
  for (const row of rows) {
    const versions = texts.get(row.id) ?? [];
    // An earlier text is for its author and staff.
    const readable =
      may.texts.has(row.id) && (row.author_id === who.id || reader.role === 'instructor')
        ? versions
        : may.texts.has(row.id)
          ? versions.slice(-1)
          : [];
    for (const version of versions)
      if (!readable.includes(version))
        expect([who.name, row.id, out.includes(version)]).toEqual([who.name, row.id, false]);
    const latest = versions.at(-1) ?? '';
    if (may.texts.has(row.id) && row.withdrawn_at === null && row.hidden_at === null)
      expect([who.name, row.id, out.includes(latest)]).toEqual([who.name, row.id, true]);
  }

  const room = await conversation(deps(db, 'Wed 12:00'), who, slug, {
    post: null,
    filter: 'all',
    as: 'headlines',
  });
  if (reader.role === null) {
    expect(room.ok).toBe(false);
    return;
  }
  if (!room.ok) throw new Error(room.failure.code);
  expect(room.value.lines.map((l) => [Number(l.id), l.depth])).toEqual(treeOf(may.seen));
}

/** Everything a listener hears from the beginning on, up to the last event there is. */
async function heardBy({ who }: Reader, slug: string, until: number): Promise<PostId[] | null> {
  const listening = await listenTo({ ...deps(db, 'Wed 12:00'), hub }, who, slug, 0, null);
  if (!listening.ok || !listening.value.begin) return null;
  const { begin } = listening.value;
  const told: Told[] = [];
  let stop = () => {};
  // Staff hear everything: when they have heard the last, whoever joined before them has heard all that is theirs.
  const last = new Promise<void>((done) => {
    void listenTo({ ...deps(db, 'Wed 12:00'), hub }, world.people.holt, slug, 0, null).then((staff) => {
      stop = begin({ hear: (t) => told.push(...t), ended: () => {} }) ?? stop;
      if (!staff.ok || !staff.value.begin) throw new Error('staff cannot listen');
      const leave = staff.value.begin({
        hear: (t) => {
          if ((t.at(-1)?.n ?? 0) < until) return;
          leave?.();
          done();
        },
        ended: () => {},
      });
    });
  });
  await last;
  stop();
  return told.map((t) => t.post);
}

async function tokenOf(who: Actor, slug: string) {
  const made = await changeDiscussionFeed(deps(db, 'Tue 07:00'), who, slug, 'make');
  return (made.ok && made.value.token) || 'none';
}

describe.each([
  [1, OPEN, 60, 'the class'],
  [3, SEALED, 90, 'the class'],
  [5, OPEN, 90, 'two groups'],
])(
  'under random posts, changes, withdrawals, hiding and private replies (%i, %s, %s, %s)',
  (seed, slug, acts, whose) => {
    it('the tree is that of the rows, and no reader receives what they may not read', async () => {
      const name = `visible_${seed}`;
      world = await smallCourse(name);
      db = world.db;
      hub = liveHub(db, withDatabase(process.env.PULPIT_TEST_DATABASE ?? '', `test_${name}`));
      groups = null;
      begunIn.clear();
      if (whose === 'two groups') await inGroups();
      const random = randomFrom(seed);
      const texts = new Map<number, string[]>();
      for (let n = 0; n < acts; n += 1) {
        if (n === acts / 2) await changesGroup(world.people.noor, world.people.jun);
        await happen(random, n, n, slug, await rowsOf(slug));
        noteGroups(await rowsOf(slug));
      }
      const versions: { post_id: number; plain: string }[] = await db('post_versions').orderBy([
        'post_id',
        'n',
      ]);
      for (const { post_id, plain } of versions)
        texts.set(post_id, [...(texts.get(post_id) ?? []), /sign\w+zz/u.exec(plain)?.[0] ?? plain]);
      const rows = await rowsOf(slug);
      // The history has all of it: else nothing is tested.
      expect(rows.filter((r) => r.parent_id !== null).length).toBeGreaterThan(8);
      expect(rows.some((r) => r.private_to !== null)).toBe(true);
      expect(rows.some((r) => r.hidden_at !== null) || rows.some((r) => r.withdrawn_at !== null)).toBe(true);
      expect([...texts.values()].some((t) => t.length > 1)).toBe(true);
      expect(rows.some((r) => r.author_id === world.people.kwame.id)).toBe(false);

      for (const reader of readers())
        await checkReader(reader, slug, rows, texts, await tokenOf(reader.who, slug));

      const last: number = (await db('discussion_events').max('n as last'))[0]?.last ?? 0;
      for (const reader of readers()) {
        const heard = await heardBy(reader, slug, last);
        const sealed =
          slug === SEALED &&
          reader.role === 'student' &&
          !rows.some((r) => r.author_id === reader.who.id && r.parent_id === null);
        if (reader.role === null || sealed) expect(heard).toBeNull();
        else
          expect(new Set(heard?.map(Number))).toEqual(
            new Set(mayRead(rows, reader, false).seen.map((r) => r.id)),
          );
      }
    }, 180_000);
  },
);
