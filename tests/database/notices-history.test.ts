import type { Knex } from 'knex';
import type { PersonId, PostId } from '@/core/ids';
import type { SharedPost } from '@/core/notices/hears';
import type { Doc } from '@/core/document/nodes';
import { setFollow } from '@/db/queries/follows';
import { markRead } from '@/server/discussions/reading';
import { keepUp } from '@/server/notices/keep-up';
import { moderate } from '@/server/posts/moderation';
import { withdrawPost } from '@/server/posts/change';
import { share } from '@/server/posts/share';
import type { Actor } from '@/server/deps';
import { randomFrom } from '@/standins/classmates/random';
import { deps, OPEN, SEALED, shareInput, smallCourse } from './world';

let db: Knex | null = null;
afterEach(async () => {
  await db?.destroy();
  db = null;
});

type Post = SharedPost & { privately: boolean; gone: boolean; withdrawn: boolean; short: boolean };

/** What happened, as the test itself keeps account of it. */
class Account {
  posts: Post[] = [];
  untold: Post[] = [];
  read = new Map<PersonId, Set<PostId>>();
  chosen = new Map<string, boolean>();
  told = new Map<PersonId, Set<PostId>>();
  /** Who was told of a post because it concerns them. */
  concerned = new Map<PersonId, PostId[]>();
  /** Whom a post answers or names who may not read it yet. */
  behind: { who: PersonId; post: Post }[] = [];

  constructor(
    private readonly seals: boolean,
    private readonly staff: PersonId,
  ) {}

  /** Behind the seal is whoever has no response that meets what is asked, and does not teach. */
  sealed = (who: PersonId) =>
    this.seals &&
    who !== this.staff &&
    !this.posts.some((p) => p.author === who && p.kind === 'response' && !p.short && !p.withdrawn);

  /** What is told of stands here in the test's own words, and not by the core: nobody of their own, nobody behind the seal, nobody of what is others'. */
  private mayHear = (post: Post, who: PersonId) =>
    post.author !== who &&
    !this.sealed(who) &&
    (who === this.staff || post.readers === null || post.readers.includes(who));
  private isMeant = (post: Post, who: PersonId) =>
    post.author !== who &&
    (who === this.staff || post.readers === null || post.readers.includes(who)) &&
    (post.answers === who || post.named.includes(who));
  private concerns = (post: Post, who: PersonId) => this.mayHear(post, who) && this.isMeant(post, who);
  private hears(who: PersonId, post: Post) {
    this.concerned.set(who, [...(this.concerned.get(who) ?? []), post.id]);
  }
  /** As they chose for the thread; else where they wrote in it before; else as they chose for the discussion, or have responded there. */
  private follows(post: Post, who: PersonId): boolean {
    const wrote = (within: (p: Post) => boolean) =>
      this.posts.some((p) => p.author === who && p.id < post.id && within(p));
    return (
      this.chosen.get(`${who} ${post.thread}`) ??
      (wrote((p) => p.thread === post.thread) ||
        (this.chosen.get(`${who} all`) ?? wrote((p) => p.kind === 'response')))
    );
  }

  share(post: Post, people: readonly Actor[]) {
    this.posts.push(post);
    this.untold.push(post);
    for (const { id } of people) {
      if (this.concerns(post, id)) this.hears(id, post);
      else if (this.sealed(id) && this.isMeant(post, id)) this.behind.push({ who: id, post });
    }
    // Whoever just opened their seal hears of what answered or named them behind it.
    for (const { who, post: waiting } of this.behind.splice(0))
      if (waiting.gone) continue;
      else if (this.sealed(who)) this.behind.push({ who, post: waiting });
      else this.hears(who, waiting);
  }

  /** Tells followers of everything that waits. */
  deal(people: readonly Actor[]) {
    for (const post of this.untold.splice(0))
      for (const { id } of people)
        if (!post.gone && this.mayHear(post, id) && !this.concerns(post, id) && this.follows(post, id))
          this.told.set(id, (this.told.get(id) ?? new Set()).add(post.id));
  }
}

const doc = (named: Actor | null, short: boolean): Doc => ({
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      content: [
        {
          type: 'text',
          text: short ? `so${String(Math.random()).slice(2)} ` : `some more words ${Math.random()} `,
        },
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

it.each([
  [1, OPEN],
  [2, OPEN],
  [3, OPEN],
  [4, OPEN],
  [5, SEALED],
  [6, SEALED],
  [7, SEALED],
])(
  'under a random history (%i, %s) everybody has just the notices that the rule gives',
  async (seed, slug) => {
    const world = await smallCourse(`notices_history_${seed}`);
    db = world.db;
    const base = db;
    const { imani, noor, jun, rafi, kwame, holt } = world.people;
    const people = [imani, noor, jun, rafi, kwame, holt];
    const chance = randomFrom(seed);
    const one = <T>(all: readonly T[]): T | undefined => all[Math.floor(chance() * all.length)];
    const account = new Account(slug === SEALED, holt.id);
    let minute = 0;
    const at = () => {
      minute += 1;
      return deps(
        base,
        `Tue ${String(8 + Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`,
      );
    };
    const place = { course: world.course, discussion: world.discussion[slug === SEALED ? 'sealed' : 'open'] };
    const readable = (who: Actor, p: Post) =>
      !p.gone &&
      !account.sealed(who.id) &&
      (who.id === holt.id || p.readers === null || p.readers.includes(who.id));

    for (let step = 0; step < 110; step += 1) {
      const who = one(people) ?? imani;
      const dice = chance();
      if (dice < 0.5) {
        const parent = chance() < 0.3 ? null : (one(account.posts.filter((p) => readable(who, p))) ?? null);
        const short = parent === null && chance() < 0.4;
        const named = !short && chance() < 0.3 ? (one(people.filter((p) => p.id !== who.id)) ?? null) : null;
        const done = await share(
          at(),
          who,
          slug,
          shareInput('', {
            kind: parent ? 'reply' : 'response',
            parent: parent?.id ?? null,
            doc: doc(named, short),
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
          withdrawn: false,
          short,
        };
        account.share(post, people);
      } else if (dice < 0.65) {
        const some = account.posts
          .filter((p) => p.author !== who.id && readable(who, p) && chance() < 0.4)
          .map((p) => p.id);
        await markRead(at(), who, slug, { posts: some, read: true });
        for (const id of some) account.read.set(who.id, (account.read.get(who.id) ?? new Set()).add(id));
      } else if (dice < 0.75) {
        const mine = one(account.posts.filter((p) => p.author === who.id && !p.gone));
        if (mine && (await withdrawPost(at(), who, slug, mine.id)).ok) mine.gone = mine.withdrawn = true;
      } else if (dice < 0.8) {
        const post = one(account.posts.filter((p) => !p.gone));
        if (post && (await moderate(at(), holt, slug, post.id, { act: 'hide', reason: 'off' })).ok)
          post.gone = true;
      } else if (dice < 0.9) {
        const thread =
          chance() < 0.5 ? null : (one(account.posts.filter((p) => p.privately === false))?.thread ?? null);
        const on = chance() < 0.5;
        await setFollow(base, place, who.id, thread, on);
        account.chosen.set(`${who.id} ${thread ?? 'all'}`, on);
      } else {
        await keepUp(at());
        account.deal(people);
      }
    }
    await keepUp(at());
    account.deal(people);

    for (const who of people) {
      const hasRead = account.read.get(who.id) ?? new Set();
      const direct = (account.concerned.get(who.id) ?? []).filter(
        (id) => !account.posts.some((p) => p.id === id && p.gone),
      );
      const rows = await base('notices').where({ person_id: who.id });
      const [about, following] = [
        rows.filter((r) => r.post_id !== null),
        rows.filter((r) => r.kind === 'post'),
      ];
      expect(about.map((r) => [Number(r.post_id), r.seen_at !== null]).sort()).toEqual(
        direct.map((id) => [id as number, hasRead.has(id)]).sort(),
      );
      const waiting = [...(account.told.get(who.id) ?? [])].filter(
        (id) => !hasRead.has(id) && !account.posts.some((p) => p.id === id && p.gone),
      );
      expect(following.flatMap((r) => r.waiting.map(Number)).sort()).toEqual(waiting.map(Number).sort());
      for (const r of following) expect(r.seen_at !== null).toBe(r.waiting.length === 0);
    }
  },
);
