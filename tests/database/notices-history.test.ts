import type { Knex } from 'knex';
import { postId, type PersonId, type PostId } from '@/core/ids';
import { concerns, follows, type Followed, type SharedPost } from '@/core/notices/hears';
import type { Doc } from '@/core/document/nodes';
import { setFollow } from '@/db/queries/follows';
import { markRead } from '@/server/discussions/reading';
import { keepUp } from '@/server/notices/keep-up';
import { moderate } from '@/server/posts/moderation';
import { withdrawPost } from '@/server/posts/change';
import { share } from '@/server/posts/share';
import type { Actor } from '@/server/deps';
import { randomFrom } from '@/standins/classmates/random';
import { deps, OPEN, shareInput, smallCourse } from './world';

let db: Knex | null = null;
afterEach(async () => {
  await db?.destroy();
  db = null;
});

type Post = SharedPost & { privately: boolean; gone: boolean };

/** What happened, as the test itself keeps account of it. */
class Account {
  posts: Post[] = [];
  untold: Post[] = [];
  read = new Map<PersonId, Set<PostId>>();
  chosen = new Map<string, boolean>();
  told = new Map<PersonId, Set<PostId>>();

  since = (who: PersonId, within: (p: Post) => boolean): PostId | null => {
    const own = this.posts.filter((p) => p.author === who && within(p)).map((p) => p.id);
    return own.length ? postId(Math.min(...own)) : null;
  };
  /** Tells followers of everything that waits, by the rule of the core. */
  deal(people: readonly Actor[], staff: PersonId) {
    for (const post of this.untold.splice(0))
      for (const { id } of people) {
        if (post.gone) continue;
        const threads = new Map<PostId, Followed>();
        for (const thread of new Set(this.posts.map((p) => p.thread)))
          threads.set(thread, {
            follows: this.chosen.get(`${id} ${thread}`) ?? null,
            way: null,
            since: this.since(id, (p) => p.thread === thread),
          });
        const hears = follows(post, {
          id,
          staff: id === staff,
          sealed: false,
          discussion: {
            follows: this.chosen.get(`${id} all`) ?? null,
            way: null,
            since: this.since(id, (p) => p.kind === 'response'),
          },
          threads,
        });
        if (hears) this.told.set(id, (this.told.get(id) ?? new Set()).add(post.id));
      }
  }
}

const doc = (named: Actor | null): Doc => ({
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: `some words ${Math.random()} ` },
        ...(named
          ? [
              {
                type: 'text' as const,
                text: named.name,
                marks: [{ type: 'mention' as const, attrs: { person: named.id } }],
              },
            ]
          : []),
      ],
    },
  ],
});

it.each([1, 2, 3, 4])(
  'under a random history (%i) everybody has just the notices that the rule gives',
  async (seed) => {
    const world = await smallCourse(`notices_history_${seed}`);
    db = world.db;
    const base = db;
    const { imani, noor, jun, rafi, kwame, holt } = world.people;
    const people = [imani, noor, jun, rafi, kwame, holt];
    const chance = randomFrom(seed);
    const one = <T>(all: readonly T[]): T | undefined => all[Math.floor(chance() * all.length)];
    const account = new Account();
    let minute = 0;
    const at = () => {
      minute += 1;
      return deps(
        base,
        `Tue ${String(8 + Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`,
      );
    };
    const place = { course: world.course, discussion: world.discussion.open };
    const readable = (who: Actor, p: Post) =>
      !p.gone && (who.id === holt.id || p.readers === null || p.readers.includes(who.id));

    for (let step = 0; step < 110; step += 1) {
      const who = one(people) ?? imani;
      const dice = chance();
      if (dice < 0.5) {
        const parent = chance() < 0.3 ? null : (one(account.posts.filter((p) => readable(who, p))) ?? null);
        const named = chance() < 0.3 ? (one(people.filter((p) => p.id !== who.id)) ?? null) : null;
        const done = await share(
          at(),
          who,
          OPEN,
          shareInput('', {
            kind: parent ? 'reply' : 'response',
            parent: parent?.id ?? null,
            doc: doc(named),
            private: parent !== null && chance() < 0.2,
          }),
        );
        if (!done.ok) throw new Error(done.failure.code);
        const row = await base('posts').where({ id: done.value.post }).first('private_to');
        const post: Post = {
          id: done.value.post,
          author: who.id,
          kind: parent ? 'reply' : 'response',
          thread: parent?.thread ?? done.value.post,
          answers: parent?.author ?? null,
          named: named ? [named.id] : [],
          readers: row.private_to ? [who.id, row.private_to] : null,
          privately: row.private_to !== null,
          gone: false,
        };
        account.posts.push(post);
        account.untold.push(post);
      } else if (dice < 0.65) {
        const some = account.posts
          .filter((p) => p.author !== who.id && readable(who, p) && chance() < 0.4)
          .map((p) => p.id);
        await markRead(at(), who, OPEN, { posts: some, read: true });
        for (const id of some) account.read.set(who.id, (account.read.get(who.id) ?? new Set()).add(id));
      } else if (dice < 0.75) {
        const mine = one(account.posts.filter((p) => p.author === who.id && !p.gone));
        if (mine && (await withdrawPost(at(), who, OPEN, mine.id)).ok) mine.gone = true;
      } else if (dice < 0.8) {
        const post = one(account.posts.filter((p) => !p.gone));
        if (post && (await moderate(at(), holt, OPEN, post.id, { act: 'hide', reason: 'off' })).ok)
          post.gone = true;
      } else if (dice < 0.9) {
        const thread =
          chance() < 0.5 ? null : (one(account.posts.filter((p) => p.privately === false))?.thread ?? null);
        const on = chance() < 0.5;
        await setFollow(base, place, who.id, thread, on);
        account.chosen.set(`${who.id} ${thread ?? 'all'}`, on);
      } else {
        await keepUp(at());
        account.deal(people, holt.id);
      }
    }
    await keepUp(at());
    account.deal(people, holt.id);

    for (const who of people) {
      const hasRead = account.read.get(who.id) ?? new Set();
      const direct = account.posts.filter(
        (p) => !p.gone && concerns(p, { id: who.id, staff: who.id === holt.id, sealed: false }) !== null,
      );
      const rows = await base('notices').where({ person_id: who.id });
      const [about, following] = [
        rows.filter((r) => r.post_id !== null),
        rows.filter((r) => r.kind === 'post'),
      ];
      expect(about.map((r) => [Number(r.post_id), r.seen_at !== null]).sort()).toEqual(
        direct.map((p) => [p.id as number, hasRead.has(p.id)]).sort(),
      );
      const waiting = [...(account.told.get(who.id) ?? [])].filter(
        (id) => !hasRead.has(id) && !account.posts.some((p) => p.id === id && p.gone),
      );
      expect(following.flatMap((r) => r.waiting.map(Number)).sort()).toEqual(waiting.map(Number).sort());
      for (const r of following) expect(r.seen_at !== null).toBe(r.waiting.length === 0);
    }
  },
);
