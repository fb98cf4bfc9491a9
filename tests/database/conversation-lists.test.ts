import type { Knex } from 'knex';
import { postId } from '@/core/ids';
import type { Actor } from '@/server/deps';
import { moderate } from '@/server/posts/moderation';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { markRead } from '@/server/discussions/reading';
import { follow } from '@/server/discussions/follow';
import { rememberReadsAs } from '@/server/discussions/reads-as';
import { liveHub, type Hub } from '@/server/live/hub';
import { listenTo, type Told } from '@/server/live/stream';
import { changePost, withdrawPost } from '@/server/posts/change';
import { withDatabase } from '../../scripts/lib/database';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
/** Two hubs are two web processes: each has a connection of its own and knows nothing of the other. */
let hubs: Hub[];
beforeEach(async () => {
  const name = `room_${Math.floor(performance.now())}`;
  world = await smallCourse(name);
  db = world.db;
  const url = withDatabase(process.env.PULPIT_TEST_DATABASE ?? '', `test_${name}`);
  hubs = [liveHub(db, url), liveHub(db, url)];
});
afterEach(async () => {
  for (const hub of hubs) hub.stop();
  await db.destroy();
});

const WHEN = 'Tue 12:00';

/** Somebody who listens at one of the processes, from the event on that they know of. */
async function ear(who: Actor, process: number, after: number, slug = OPEN) {
  const hub = hubs[process];
  if (!hub) throw new Error('no such process');
  const told: Told[] = [];
  const waiting: { n: number; done: () => void }[] = [];
  const listening = await listenTo({ ...deps(db, WHEN), hub }, who, slug, after, null);
  if (!listening.ok) throw new Error(listening.failure.code);
  const { begin } = listening.value;
  const leave = begin?.({
    hear: (events) => {
      told.push(...events);
      for (const w of waiting) if (told.length >= w.n) w.done();
    },
    ended: () => {},
  });
  return {
    told,
    deaf: begin === null,
    leave: () => leave?.(),
    /** Settles when so many events were heard. */
    heard: (n: number) =>
      told.length >= n ? Promise.resolve() : new Promise<void>((done) => waiting.push({ n, done })),
  };
}

const say = (who: Actor, words: string, over: Parameters<typeof shareInput>[1] = {}, slug = OPEN) =>
  shared(db, who, slug, 'Tue 10:00', shareInput(words, over)).then((s) => s.post);

describe('what happens in a discussion', () => {
  it('is heard at every process, in order, once, by those who listened before and after', async () => {
    const { imani, noor, jun } = world.people;
    const [a, b] = await Promise.all([ear(imani, 0, 0), ear(jun, 1, 0)]);
    const first = await say(noor, 'A first response.');
    const reply = await say(imani, 'An answer to it.', { kind: 'reply', parent: first });
    await changePost(deps(db, 'Tue 11:00'), noor, OPEN, first, { title: '', doc: text('Said anew.') });
    await moderate(deps(db, 'Tue 11:01'), world.people.holt, OPEN, reply, { act: 'hide', reason: 'Rude.' });
    await Promise.all([a.heard(4), b.heard(4)]);
    const late = await ear(noor, 0, 0);
    await late.heard(4);
    const expected = [
      [1, 'shared', first, first],
      [2, 'shared', reply, first],
      [3, 'changed', first, first],
      [4, 'changed', reply, first],
    ];
    for (const { told } of [a, b, late])
      expect(told.map((t) => [t.n, t.act, t.post, t.thread])).toEqual(expected);
    expect(a.told.map((t) => t.mine)).toEqual([false, true, false, true]);
    expect(JSON.stringify(a.told)).not.toContain('response.');
  });

  it('goes on where one was cut off, without gaps or doubles', async () => {
    const { imani, noor, jun } = world.people;
    const posts: number[] = [];
    const whole: number[] = [];
    let after = 0;
    for (let round = 0; round < 4; round += 1) {
      const listener = await ear(imani, round % 2, after);
      for (let i = 0; i < 3; i += 1) posts.push(await say(round % 2 ? noor : jun, `Words of ${round}.${i}.`));
      await listener.heard(3);
      listener.leave();
      whole.push(...listener.told.map((t) => t.post));
      after = listener.told.at(-1)?.n ?? after;
      // While nobody listens.
      if (round === 1) posts.push(await say(noor, 'Said while nobody listened.'));
      if (round === 1) {
        const again = await ear(imani, 0, after);
        await again.heard(1);
        again.leave();
        whole.push(...again.told.map((t) => t.post));
        after = again.told.at(-1)?.n ?? after;
      }
    }
    expect(whole).toEqual(posts);
  });

  it('is heard after the database was cut off from the listening process', async () => {
    const { imani, noor } = world.people;
    const listener = await ear(imani, 0, 0);
    const one = await say(noor, 'Before the cut.');
    await listener.heard(1);
    await db.raw(
      `select pg_terminate_backend(pid) from pg_stat_activity
       where application_name = 'pulpit live' and datname = current_database()`,
    );
    const two = await say(noor, 'During the cut.');
    const three = await say(noor, 'After the cut.');
    await listener.heard(3);
    expect(listener.told.map((t) => t.post)).toEqual([one, two, three]);
  });

  it('many shares at once are all heard, each once, though they end in another order than they began', async () => {
    const { imani, noor, jun, rafi, kwame } = world.people;
    const listener = await ear(imani, 1, 0);
    const posts = await Promise.all(
      Array.from({ length: 24 }, (_, i) =>
        say([noor, jun, rafi, kwame][i % 4] ?? noor, `Number ${i} of many.`),
      ),
    );
    await listener.heard(24);
    expect(listener.told.map((t) => t.n)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
    expect(listener.told.map((t) => Number(t.post)).sort((a, b) => a - b)).toEqual(
      posts.map(Number).sort((a, b) => a - b),
    );
  });

  it('a private reply is heard by its two and by staff, a sealed discussion by nobody behind the seal', async () => {
    const { imani, noor, jun, holt } = world.people;
    const first = await say(noor, 'A response to all.');
    const ears = await Promise.all([imani, noor, jun, holt].map((who) => ear(who, 0, 1)));
    const secret = await say(imani, 'For you alone.', { kind: 'reply', parent: first, private: true });
    const own = await say(imani, 'And one thing more.', { kind: 'reply', parent: secret });
    const last = await say(noor, 'To everybody again.');
    const [a, b, c, d] = ears;
    await Promise.all([a?.heard(3), b?.heard(3), c?.heard(1), d?.heard(3)]);
    expect(c?.told.map((t) => t.post)).toEqual([last]);
    for (const e of [a, b, d]) expect(e?.told.map((t) => t.post)).toEqual([secret, own, last]);

    await say(noor, 'Behind the seal.', {}, SEALED);
    expect((await ear(jun, 0, 0, SEALED)).deaf).toBe(true);
    expect((await ear(noor, 0, 0, SEALED)).deaf).toBe(false);
    const stranger = await listenTo(
      { ...deps(db, WHEN), hub: hubs[0]! },
      world.people.stranger,
      OPEN,
      0,
      null,
    );
    expect(stranger).toMatchObject({ failure: { code: 'not-found' } });
  });

  it('a page knows up to which event it was made', async () => {
    const { imani, noor } = world.people;
    const events = async () => {
      const room = await conversation(deps(db, WHEN), imani, OPEN, { post: null, filter: 'all' });
      return room.ok ? room.value.events : -1;
    };
    expect(await events()).toBe(0);
    const post = await say(noor, 'A first response.');
    expect(await events()).toBe(1);
    await withdrawPost(deps(db, 'Tue 10:30'), noor, OPEN, postId(post));
    expect(await events()).toBe(2);
  });
});

describe('how one reads', () => {
  const room = async (who: Actor, ask: Partial<Parameters<typeof conversation>[3]> = {}) => {
    const found = await conversation(deps(db, WHEN), who, OPEN, { post: null, filter: null, ...ask });
    if (!found.ok) throw new Error(found.failure.code);
    return found.value;
  };

  it('is remembered, until the address says otherwise', async () => {
    const { imani } = world.people;
    expect((await room(imani)).as).toBe('threads');
    await rememberReadsAs(deps(db, WHEN), imani, { as: 'time', newestFirst: true });
    expect(await room(imani)).toMatchObject({ as: 'time', newestFirst: true });
    expect(await room(imani, { as: 'headlines' })).toMatchObject({ as: 'headlines', habit: { as: 'time' } });
    expect((await room(world.people.noor)).as).toBe('threads');
  });

  it('filters by staff, by pictures, by a person and by words', async () => {
    const { imani, noor, holt } = world.people;
    const first = await say(noor, 'The ferries stop in winter.');
    const staff = await say(holt, 'A word from me.', { kind: 'reply', parent: first });
    const mine = await say(imani, 'The meadow is wet.');
    const lines = async (ask: Parameters<typeof room>[1]) =>
      (await room(imani, { as: 'headlines', ...ask })).lines.map((l) => Number(l.id));
    expect(await lines({ filter: 'staff' })).toEqual([staff]);
    expect(await lines({ filter: 'person', person: noor.id })).toEqual([first]);
    expect(await lines({ filter: 'pictured' })).toEqual([]);
    expect(await lines({ words: 'ferry' })).toEqual([first]);
    expect(await lines({ words: 'meadwo' })).toEqual([mine]);
    expect((await room(imani, { words: 'ferry', as: 'threads' })).lines[0]).toMatchObject({
      id: first,
      opening: expect.stringContaining('ferries stop'),
    });
    expect(await lines({ filter: 'all', as: 'time' })).toEqual([]);
    expect((await room(imani, { as: 'time' })).posts.map((p) => Number(p.id))).toEqual([first, staff, mine]);
  });

  it('a long thread and a long room come in pages, and the open post is on its page', async () => {
    const { imani, noor, jun } = world.people;
    const first = await say(noor, 'A first response.');
    const replies: number[] = [];
    for (let i = 0; i < 45; i += 1)
      replies.push(await say(i % 2 ? noor : jun, `Reply number ${i}.`, { kind: 'reply', parent: first }));
    const last = replies.at(-1) ?? 0;
    const opened = await room(imani, { post: first, as: 'threads' });
    expect([opened.posts.length, opened.page.pages]).toEqual([40, 2]);
    const far = await room(imani, { post: last, as: 'threads' });
    expect(far.posts.map((p) => Number(p.id))).toContain(last);
    expect([...opened.posts, ...far.posts].map((p) => Number(p.id))).toEqual([first, ...replies]);
    expect(far.steps).toMatchObject({ previous: replies.at(-2), next: null });
  }, 60_000);
});

describe('following', () => {
  const followed = async (who: Actor) => {
    const room = await conversation(deps(db, WHEN), who, OPEN, { post: null, filter: null });
    return room.ok ? { threads: room.value.followed.map(Number), all: room.value.followsDiscussion } : null;
  };
  it('comes with sharing, is undone by one act, and stays undone', async () => {
    const { imani, noor } = world.people;
    const first = await say(noor, 'A first response.');
    expect(await followed(imani)).toEqual({ threads: [], all: false });
    await say(imani, 'An answer to it.', { kind: 'reply', parent: first });
    expect(await followed(imani)).toEqual({ threads: [first], all: false });
    await follow(deps(db, WHEN), imani, OPEN, { thread: first, on: false });
    await say(imani, 'Another answer.', { kind: 'reply', parent: first });
    expect(await followed(imani)).toEqual({ threads: [], all: false });
    const own = await say(imani, 'My own response.');
    expect(await followed(imani)).toEqual({ threads: [own], all: true });
    await follow(deps(db, WHEN), imani, OPEN, { thread: null, on: false });
    expect(await followed(imani)).toEqual({ threads: [own], all: false });
  });
  it('a discussion brings what is new in it to the list of what one follows', async () => {
    const { imani, noor, jun } = world.people;
    const shown = async () => {
      const list = await listDiscussions(deps(db, WHEN), imani, { needs: 'followed' });
      return [list.counts.newFollowed, list.weeks.flatMap((w) => w.lines.map((l) => l.slug))];
    };
    await say(noor, 'A first response.');
    expect(await shown()).toEqual([0, []]);
    await follow(deps(db, WHEN), imani, OPEN, { thread: null, on: true });
    expect(await shown()).toEqual([1, [OPEN]]);
    await markRead(deps(db, WHEN), imani, OPEN, { posts: 'all', read: true });
    expect(await shown()).toEqual([0, []]);
    // What lies behind a seal is not new to anybody behind it, whatever they follow.
    await follow(deps(db, WHEN), imani, SEALED, { thread: null, on: true });
    await say(jun, 'Behind the seal.', {}, SEALED);
    expect(await shown()).toEqual([0, []]);
  });
  it('is only of threads that one may read', async () => {
    const { imani, noor, stranger } = world.people;
    const first = await say(noor, 'Behind the seal.', {}, SEALED);
    const nothing = { failure: { code: 'not-found' } };
    expect(await follow(deps(db, WHEN), imani, SEALED, { thread: first, on: true })).toMatchObject(nothing);
    expect(await follow(deps(db, WHEN), stranger, OPEN, { thread: null, on: true })).toMatchObject(nothing);
    const open = await say(noor, 'A response.');
    const reply = await say(imani, 'An answer.', { kind: 'reply', parent: open });
    expect(await follow(deps(db, WHEN), imani, OPEN, { thread: reply, on: true })).toMatchObject(nothing);
  });
});
