import fc from 'fast-check';
import type { Knex } from 'knex';
import { instant, postId, type PostId } from '@/core/ids';
import { markRead } from '@/server/discussions/reading';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { thisWeek } from '@/server/week/this-week';
import type { Actor } from '@/server/deps';
import { share as shareIt } from '@/server/posts/share';
import { takeBack } from '@/server/setup/setup';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeEach(async () => {
  world = await smallCourse(`reading_${Math.floor(performance.now())}`);
  db = world.db;
});
afterEach(() => db.destroy());

const WHEN = 'Tue 16:00';
const line = async (who: Actor, slug: string, when = WHEN) =>
  (await listDiscussions(deps(db, when), who, {})).weeks.flatMap((w) => w.lines).find((l) => l.slug === slug);
const unread = async (who: Actor, slug = OPEN) => (await line(who, slug))?.unread;

/** What is unread, counted from the rows one by one. */
async function counted(who: Actor, staff: boolean, slug: string) {
  const posts = await db('posts as p')
    .join('discussions as d', 'd.id', 'p.discussion_id')
    .where('d.slug', slug)
    .select('p.*');
  const parents = new Map(posts.map((p) => [p.id, p.author_id]));
  const marks = new Set(await db('reads').where('person_id', who.id).pluck('post_id'));
  const mine = posts.filter(
    (p) =>
      p.author_id !== who.id &&
      p.withdrawn_at === null &&
      p.hidden_at === null &&
      (p.private_to === null || p.private_to === who.id || staff) &&
      !marks.has(p.id),
  );
  return { unread: mine.length, replies: mine.filter((p) => parents.get(p.parent_id) === who.id).length };
}

describe('unread', () => {
  it('is what others shared since, until it is read, and again when it is set back', async () => {
    const { imani, noor, jun } = world.people;
    const first = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('A first response.'));
    await shared(db, jun, OPEN, 'Tue 11:00', shareInput('Another response here.'));
    expect(await unread(imani)).toBe(2);
    expect(await unread(noor)).toBe(1);
    const marked = await markRead(deps(db, WHEN), imani, OPEN, { posts: [first.post], read: true });
    expect(marked).toMatchObject({ ok: true, value: { unread: 1 } });
    await markRead(deps(db, WHEN), imani, OPEN, { posts: [first.post], read: true });
    expect(await unread(imani)).toBe(1);
    await markRead(deps(db, WHEN), imani, OPEN, { posts: [first.post], read: false });
    expect(await unread(imani)).toBe(2);
    await markRead(deps(db, WHEN), imani, OPEN, { posts: 'all', read: true });
    expect(await unread(imani)).toBe(0);
  });

  it('behind the seal is a number, and nothing there can be marked', async () => {
    const { imani, noor } = world.people;
    const hidden = await shared(db, noor, SEALED, 'Tue 10:00', shareInput('A sealed response.'));
    expect(await unread(imani, SEALED)).toBe(1);
    const marked = await markRead(deps(db, WHEN), imani, SEALED, { posts: [hidden.post], read: true });
    expect(marked).toMatchObject({ ok: true, value: { unread: 1 } });
    expect(await db('reads').where('person_id', imani.id)).toEqual([]);
  });

  it('of a private reply belongs to the one it is for, and to staff', async () => {
    const { imani, noor, jun, holt } = world.people;
    const first = await shared(db, imani, OPEN, 'Tue 10:00', shareInput('A first response.'));
    const secret = shareInput('Only for you, this.', { kind: 'reply', parent: first.post, private: true });
    const reply = await shared(db, noor, OPEN, 'Tue 10:30', secret);
    expect([await unread(imani), await unread(jun), await unread(holt)]).toEqual([1, 1, 2]);
    expect((await line(imani, OPEN))?.unreadReplies).toBe(1);
    // Another student cannot mark what they cannot see.
    await markRead(deps(db, WHEN), jun, OPEN, { posts: [reply.post], read: true });
    expect(await unread(jun)).toBe(1);
  });

  it('is the same on This week, in Discussions and in the conversation', async () => {
    const { imani, noor, jun } = world.people;
    const mine = await shared(db, imani, OPEN, 'Tue 09:00', shareInput('A first response.'));
    await shared(
      db,
      noor,
      OPEN,
      'Tue 10:00',
      shareInput('I answer this.', { kind: 'reply', parent: mine.post }),
    );
    await shared(db, jun, OPEN, 'Tue 11:00', shareInput('Another response here.'));
    const week = (await thisWeek(deps(db, WHEN), imani)).lines.find((l) => l.slug === OPEN);
    expect(week).toMatchObject({ unread: 2, unreadReplies: 1 });
    expect(await line(imani, OPEN)).toMatchObject({ unread: 2, unreadReplies: 1, needsMe: true });
    const room = await conversation(deps(db, WHEN), imani, OPEN, { post: null, filter: 'unread' });
    const lines = room.ok ? room.value.lines : [];
    expect(lines.flatMap((l) => l.unread)).toHaveLength(2);
    expect(room.ok && room.value.head.unread).toBe(2);
  });

  it('stays exact under any history of posts, private replies, withdrawals, hidings and readings', async () => {
    const { imani, noor, jun, rafi, holt } = world.people;
    const people: [Actor, boolean][] = [
      [imani, false],
      [noor, false],
      [jun, false],
      [rafi, false],
      [holt, true],
    ];
    const posts: PostId[] = [];
    let minute = 0;
    const step = fc.record({
      who: fc.nat({ max: 4 }),
      what: fc.constantFrom(
        'respond',
        'reply',
        'reply',
        'private',
        'withdraw',
        'hide',
        'unhide',
        'read',
        'read',
        'unread',
        'all',
        'both',
      ),
      post: fc.nat({ max: 1_000 }),
      more: fc.nat({ max: 1_000 }),
    });
    const act = async ({
      who,
      what,
      post,
      more,
    }: {
      who: number;
      what: string;
      post: number;
      more: number;
    }) => {
      const actor = people[who]?.[0] as Actor;
      const at = instant(on('Mon 07:00') + (minute += 1) * 60_000);
      const d = { db, now: at };
      const target = posts[post % Math.max(1, posts.length)];
      const share = async (input: ReturnType<typeof shareInput>) => {
        const result = await shareIt(d, actor, OPEN, input);
        if (result.ok && !result.value.repeated) posts.push(postId(result.value.post));
      };
      const mark = (read: boolean, ids: number[]) => markRead(d, actor, OPEN, { posts: ids, read });
      const hide = async () => {
        if (target) await takeBack(db, target, 'hidden', at);
      };
      const another = posts[more % Math.max(1, posts.length)] ?? 1;
      if (what === 'respond') await share(shareInput(`Response number ${minute}.`));
      else if (!target) return;
      else if (what === 'reply')
        await share(shareInput(`Reply number ${minute}.`, { kind: 'reply', parent: target }));
      else if (what === 'private') {
        await share(
          shareInput(`Private number ${minute}.`, { kind: 'reply', parent: target, private: true }),
        );
      } else if (what === 'withdraw') await takeBack(db, target, 'withdrawn', at);
      else if (what === 'hide') await hide();
      else if (what === 'unhide') await db('posts').where({ id: target }).update({ hidden_at: null });
      else if (what === 'read') await mark(true, [target, another]);
      else if (what === 'unread') await mark(false, [target, another]);
      else if (what === 'all') await markRead(d, actor, OPEN, { posts: 'all', read: true });
      // Hidden and read in the same moment, by two people.
      else await Promise.all([hide(), mark(true, [target, another])]);
    };
    // However little a history shares, there is something in it to read, hide and answer.
    for (let who = 0; who < 4; who += 1)
      for (const what of ['respond', 'reply', 'reply', 'reply']) await act({ who, what, post: who, more: 0 });
    expect(posts).toHaveLength(16);
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 10, maxLength: 25 }), async (steps) => {
        for (const s of steps) await act(s);
        for (const [who, staff] of people) {
          const { unread: n, replies } = await counted(who, staff, OPEN);
          const shown = await line(who, OPEN);
          expect({ who: who.name, unread: shown?.unread, replies: shown?.unreadReplies }).toEqual({
            who: who.name,
            unread: n,
            replies,
          });
        }
      }),
      { numRuns: 12 },
    );
  }, 120_000);
});
