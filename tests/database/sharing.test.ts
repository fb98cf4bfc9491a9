import { type DraftInput } from '@/contract/writing';
import type { Knex } from 'knex';
import { share } from '@/server/posts/share';
import { keepDraft } from '@/server/drafts/keep';
import { yourPart } from '@/server/discussions/your-part';
import { responseRoom } from '@/server/discussions/response-room';
import { conversation } from '@/server/discussions/conversation';
import { figuresNow } from '@/server/posts/figures';
import { briefSchema } from '@/core/brief/brief';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';
import { randomUUID } from 'node:crypto';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('sharing');
  db = world.db;
});
afterAll(() => db.destroy());

const draft = (words: string, over: Partial<DraftInput> = {}): DraftInput => ({
  kind: 'response',
  parent: null,
  submission: randomUUID(),
  title: '',
  doc: text(words),
  base: 0,
  conflict: 'tell',
  ...over,
});
const posts = async () => Number((await db('posts').count('* as n').first())?.n);

describe('sharing', () => {
  it('makes one post of the same submission, however often and at once it is sent', async () => {
    const before = await posts();
    const input = shareInput('One two three.');
    const all = await Promise.all(
      Array.from({ length: 6 }, () => share(deps(db, 'Tue 10:00'), world.people.kwame, OPEN, input)),
    );
    const ids = all.map((r) => (r.ok ? r.value.post : null));
    expect(new Set(ids).size).toBe(1);
    expect(all.filter((r) => r.ok && !r.value.repeated)).toHaveLength(1);
    expect(await posts()).toBe(before + 1);
  });

  it('makes one post of one text shared from two windows', async () => {
    const before = await posts();
    const [a, b] = await Promise.all([
      share(deps(db, 'Tue 10:00'), world.people.rafi, OPEN, shareInput('The same text twice.')),
      share(deps(db, 'Tue 10:00'), world.people.rafi, OPEN, shareInput('The same text twice.')),
    ]);
    expect(a.ok && b.ok && a.value.post === b.value.post).toBe(true);
    expect(await posts()).toBe(before + 1);
  });

  it('answers a repetition with the post it made, even after the deadline', async () => {
    const input = shareInput('In good time.');
    const first = await shared(db, world.people.jun, OPEN, 'Tue 10:00', input);
    const again = await share(deps(db, 'Sun 23:59'), world.people.jun, OPEN, input);
    expect(again).toMatchObject({ ok: true, value: { post: first.post, repeated: true } });
  });

  it('takes the moment the request arrived: the last millisecond of the minute counts, the next is refused', async () => {
    const due = on('Thu 23:59') + 60_000;
    const at = (now: number) => ({ db, now: now as never });
    const inTime = await share(at(due - 1), world.people.noor, OPEN, shareInput('Just in time.'));
    expect(inTime.ok).toBe(true);
    const late = await share(at(due), world.people.imani, OPEN, shareInput('Just too late.'));
    expect(late).toMatchObject({ ok: false, failure: { code: 'response-deadline-passed' } });
  });

  it('refuses everything after the closing', async () => {
    const { post } = await shared(db, world.people.rafi, SEALED, 'Tue 10:00', shareInput('Before the end.'));
    const closed = await share(
      { db, now: (on('Sun 23:59') + 60_000) as never },
      world.people.rafi,
      SEALED,
      shareInput('After it.', { kind: 'reply', parent: post }),
    );
    expect(closed).toMatchObject({ ok: false, failure: { code: 'closed' } });
  });

  it('refuses an empty text, and a reply to a post of another discussion', async () => {
    const empty = await share(deps(db, 'Tue 10:00'), world.people.noor, OPEN, shareInput('  '));
    expect(empty).toMatchObject({ ok: false, failure: { code: 'nothing-written' } });
    const elsewhere = await db('posts').where({ discussion_id: world.discussion.sealed }).first('id');
    const wrong = await share(
      deps(db, 'Tue 10:00'),
      world.people.jun,
      OPEN,
      shareInput('Hm hm.', { kind: 'reply', parent: elsewhere.id }),
    );
    expect(wrong).toMatchObject({ ok: false, failure: { code: 'post-not-open' } });
  });

  it('leaves nothing behind when it fails in the middle', async () => {
    const before = await posts();
    await db.raw('alter table post_versions add constraint broken check (own_words < 0) not valid');
    try {
      await expect(
        share(deps(db, 'Tue 11:00'), world.people.kwame, SEALED, shareInput('Into the void.')),
      ).rejects.toThrow();
    } finally {
      await db.raw('alter table post_versions drop constraint broken');
    }
    expect(await posts()).toBe(before);
  });

  it('stores the checks that the text gives when they are run again', async () => {
    const rows = await db('post_versions as v')
      .join('posts as p', 'p.id', 'v.post_id')
      .join('discussions as d', 'd.id', 'p.discussion_id')
      .where('p.kind', 'response')
      .select('v.*', 'd.brief');
    expect(rows.length).toBeGreaterThan(3);
    for (const row of rows) {
      const { checks, unmet, ownWords } = figuresNow({
        brief: briefSchema.parse(row.brief),
        kind: 'response',
        title: row.title,
        doc: row.doc,
        answered: null,
      });
      expect({ checks: row.checks, unmet: row.unmet, ownWords: row.own_words }).toEqual({
        checks,
        unmet,
        ownWords,
      });
    }
  });
});

describe('the database', () => {
  it('never lets a shared text be changed', async () => {
    await expect(db('post_versions').update({ title: 'Another' })).rejects.toThrow(/never changed/u);
  });
  it('never lets a reply answer a post of another discussion, or somebody outside post', async () => {
    const post = await db('posts').where({ discussion_id: world.discussion.open }).first();
    const reply = {
      ...post,
      id: post.id + 1_000,
      kind: 'reply',
      parent_id: post.id,
      submission: randomUUID(),
      shared_at: new Date(),
    };
    await expect(db('posts').insert({ ...reply, discussion_id: world.discussion.sealed })).rejects.toThrow(
      /foreign key/u,
    );
    await expect(db('posts').insert({ ...reply, author_id: world.people.stranger.id })).rejects.toThrow(
      /foreign key/u,
    );
    await expect(db('posts').insert({ ...reply, parent_id: null })).rejects.toThrow(/check constraint/u);
  });
});

describe('a draft', () => {
  it('is kept, and there again when the room is opened', async () => {
    const kept = await keepDraft(deps(db, 'Tue 12:00'), world.people.imani, SEALED, draft('Half a thought'));
    expect(kept).toMatchObject({ ok: true, value: { revision: 1 } });
    const room = await responseRoom(deps(db, 'Tue 12:05'), world.people.imani, SEALED);
    expect(room.ok && room.value.draft).toMatchObject({
      revision: 1,
      doc: text('Half a thought'),
      keptAt: on('Tue 12:00'),
    });
  });

  it('is not overwritten silently by another window, and whichever text is not taken is kept aside', async () => {
    const first = await keepDraft(
      deps(db, 'Tue 12:10'),
      world.people.imani,
      SEALED,
      draft('First window', { base: 1 }),
    );
    expect(first.ok).toBe(true);
    const second = await keepDraft(
      deps(db, 'Tue 12:11'),
      world.people.imani,
      SEALED,
      draft('Second window', { base: 1 }),
    );
    expect(second).toMatchObject({
      ok: false,
      failure: { code: 'other-window', doc: text('First window'), revision: 2 },
    });
    const taken = await keepDraft(
      deps(db, 'Tue 12:12'),
      world.people.imani,
      SEALED,
      draft('Second window', { base: 1, conflict: 'replace' }),
    );
    expect(taken.ok).toBe(true);
    const aside = await db('draft_versions')
      .where({ author_id: world.people.imani.id, reason: 'other-window' })
      .pluck('doc');
    expect(aside).toEqual([text('First window')]);
  });

  it('of a page that is closed while it is being kept: its last words stand, whichever of the two comes first', async () => {
    for (const order of [
      [1, 2],
      [2, 1],
    ]) {
      const { kwame } = world.people;
      const id = randomUUID();
      const opened = await keepDraft(
        deps(db, 'Tue 12:20'),
        kwame,
        SEALED,
        draft('On the page', { conflict: 'replace' }),
      );
      if (!opened.ok) throw new Error('not kept');
      const { revision: base } = opened.value;
      for (const nth of order)
        expect(
          await keepDraft(
            deps(db, 'Tue 12:21'),
            kwame,
            SEALED,
            draft(`Keep ${nth}`, { base, window: { id, nth, after: null } }),
          ),
        ).toMatchObject({ ok: true });
      const room = await responseRoom(deps(db, 'Tue 12:22'), kwame, SEALED);
      expect(room.ok && room.value.draft.doc).toEqual(text('Keep 2'));
      // The page that is opened next goes on with it; one that was open before does not know these words.
      const next = (window: { id: string; nth: number; after: string | null }) =>
        keepDraft(deps(db, 'Tue 12:23'), kwame, SEALED, draft('On and on', { base, window }));
      expect(await next({ id: randomUUID(), nth: 1, after: null })).toMatchObject({
        failure: { code: 'other-window' },
      });
      expect(await next({ id: randomUUID(), nth: 1, after: id })).toMatchObject({ ok: true });
      await db('drafts').where({ author_id: kwame.id }).delete();
    }
  });

  it('outlives the closing of the discussion', async () => {
    const kept = await keepDraft(
      deps(db, 'Sun 23:59'),
      world.people.kwame,
      SEALED,
      draft('Too late, but mine'),
    );
    expect(kept.ok).toBe(true);
  });

  it('of a shared text does not come back when its last keystrokes arrive late', async () => {
    const submission = randomUUID();
    await keepDraft(deps(db, 'Tue 13:00'), world.people.noor, SEALED, draft('My own words', { submission }));
    await shared(db, world.people.noor, SEALED, 'Tue 13:01', shareInput('My own words', { submission }));
    const late = await keepDraft(
      deps(db, 'Tue 13:01'),
      world.people.noor,
      SEALED,
      draft('My own words!', { submission, base: 1 }),
    );
    expect(late).toMatchObject({ ok: false, failure: { code: 'already-shared' } });
    const room = await responseRoom(deps(db, 'Tue 13:02'), world.people.noor, SEALED);
    expect(room.ok && room.value.draft.keptAt).toBeNull();
  });
});

describe('what counted', () => {
  it('is the same on every way in, and the third counted reply completes', async () => {
    const me = world.people.imani;
    await shared(db, me, SEALED, 'Tue 14:00', shareInput('My response here.'));
    const room = await conversation(deps(db, 'Tue 14:01'), me, SEALED, { post: null, filter: 'all' });
    if (!room.ok) throw new Error('not open');
    const jun = await shared(db, world.people.jun, SEALED, 'Tue 14:02', shareInput('Jun was here too.'));
    const others = [...room.value.lines.filter((l) => !l.mine).map((l) => l.id), jun.post];
    for (const [i, post] of others.slice(0, 3).entries()) {
      await shared(
        db,
        me,
        SEALED,
        `Tue 14:1${i}`,
        shareInput(`Answer number ${i}.`, { kind: 'reply', parent: post }),
      );
      await shared(
        db,
        me,
        SEALED,
        `Tue 14:1${i}`,
        shareInput(`Once more ${i}.`, { kind: 'reply', parent: post }),
      );
    }
    const part = await yourPart(deps(db, 'Tue 15:00'), me, SEALED);
    if (!part.ok) throw new Error('no part');
    expect(part.value.head.ledger?.complete).toBe(true);
    expect(part.value.shared.map((d) => d.verdict?.reason)).toEqual([
      'counted',
      'counted',
      'same-classmate',
      'counted',
      'same-classmate',
      'counted',
      'same-classmate',
    ]);
  });
});
