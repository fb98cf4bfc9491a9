import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import type { Knex } from 'knex';
import { previewVerdict } from '@/core/counting/preview';
import { postId } from '@/core/ids';
import type { ThreadFilter } from '@/core/posts/filters';
import { plainText } from '@/core/document/flatten';
import type { Actor } from '@/server/deps';
import { conversation } from '@/server/discussions/conversation';
import { keepDraft } from '@/server/drafts/keep';
import { changePost, withdrawPost } from '@/server/posts/change';
import { glance } from '@/server/posts/glance';
import { reactToPost } from '@/server/posts/react';
import { share } from '@/server/posts/share';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const post: Record<string, number> = {};

const answer = (parent: number, words: string, over = {}) =>
  shareInput(words, { kind: 'reply', parent, ...over });

beforeAll(async () => {
  world = await smallCourse('replying');
  db = world.db;
  const { imani, noor, jun, rafi, kwame } = world.people;
  const first = async (who: Actor, when: string, words: string) =>
    (await shared(db, who, OPEN, when, shareInput(words))).post;
  post.noor = await first(noor, 'Tue 09:00', 'The wall held for sixty years.');
  post.jun = await first(jun, 'Tue 09:10', 'Meadows store the water.');
  post.rafi = await first(rafi, 'Tue 09:20', 'Who pays for all this?');
  post.kwame = await first(kwame, 'Tue 09:30', 'My street was under water twice.');
  post.imani = await first(imani, 'Tue 09:40', 'Set it back, I say.');
  post.junToNoor = (await shared(db, jun, OPEN, 'Tue 10:00', answer(post.noor, 'And the sixty-first?'))).post;
  post.rafiToImani = (await shared(db, rafi, OPEN, 'Tue 10:10', answer(post.imani, 'How far back?'))).post;
  post.kwameToImani = (await shared(db, kwame, OPEN, 'Tue 10:20', answer(post.imani, 'And the road?'))).post;
});
afterAll(() => db.destroy());

const room = async (
  who: Actor,
  filter: ThreadFilter | null,
  open: number | null = null,
  when = 'Tue 12:00',
) => {
  const found = await conversation(deps(db, when), who, OPEN, { post: open, filter });
  if (!found.ok) throw new Error('not there');
  return found.value;
};
const draft = (who: Actor, parent: number, words: string, when: string) =>
  keepDraft(deps(db, when), who, OPEN, {
    kind: 'reply',
    parent,
    submission: randomUUID(),
    title: '',
    doc: text(words),
    base: 0,
    conflict: 'tell',
  });

describe('worth answering', () => {
  it('is what one is shown who owes replies: those without a reply first, never oneself or staff', async () => {
    const { filter, standard, lines } = await room(world.people.imani, null);
    expect([filter, standard]).toEqual(['worth', 'worth']);
    const names = lines.map((l) => l.author);
    expect([...names].sort()).toEqual(['Jun Hathaway', 'Kwame Sorley', 'Noor Vasquez', 'Rafi Castellan']);
    expect(names[3]).toBe('Noor Vasquez');
    const codes = (name: string) => lines.find((l) => l.author === name)?.reasons.map((r) => r.code) ?? [];
    expect(codes('Jun Hathaway')).toContain('no-replies');
    expect(codes('Noor Vasquez')).toContain('one-reply');
    expect(codes('Rafi Castellan')).toContain('answered-me');
  });

  it('leaves out whom one has answered, for a private answer does not count as one', async () => {
    const { imani } = world.people;
    const secret = await shared(
      db,
      imani,
      OPEN,
      'Tue 12:10',
      answer(post.jun ?? 0, 'Between us two.', { private: true }),
    );
    const names = async () => (await room(imani, 'worth', null, 'Tue 12:20')).lines.map((l) => l.author);
    expect(await names()).toContain('Jun Hathaway');
    await shared(db, imani, OPEN, 'Tue 12:15', answer(post.jun ?? 0, 'For all to read.'));
    expect(await names()).not.toContain('Jun Hathaway');
    await db('posts').where({ id: secret.post }).delete();
  });

  it('says which of them one has begun to answer', async () => {
    const { imani } = world.people;
    await draft(imani, post.kwame ?? 0, 'I have begun this.', 'Tue 12:30');
    const { lines } = await room(imani, 'worth', null, 'Tue 12:31');
    expect(lines.filter((l) => l.drafted).map((l) => l.author)).toEqual(['Kwame Sorley']);
  });
});

describe('replies to me', () => {
  it('are a list of their own, those that I have not answered first', async () => {
    const { imani } = world.people;
    await shared(db, imani, OPEN, 'Tue 13:00', answer(post.kwameToImani ?? 0, 'The road goes too.'));
    const { lines, counts } = await room(imani, 'to-you', null, 'Tue 13:10');
    expect(lines.map((l) => [l.author, l.answered])).toEqual([
      ['Rafi Castellan', false],
      ['Kwame Sorley', true],
    ]);
    expect(counts['to-you']).toBe(1);
  });
});

describe('a name in a text', () => {
  it('leads to the post of whom it names, and brings the naming post into that one’s list', async () => {
    const { imani, jun, noor, rafi } = world.people;
    const named = await shared(db, rafi, OPEN, 'Tue 13:20', {
      ...answer(post.junToNoor ?? 0, ''),
      doc: {
        type: 'doc',
        content: [
          {
            type: 'paragraph',
            content: [
              {
                type: 'text',
                text: '@Imani Okoro',
                marks: [{ type: 'mention', attrs: { person: imani.id } }],
              },
              { type: 'text', text: ' said so too.' },
            ],
          },
        ],
      },
    });
    const { lines } = await room(imani, 'to-you', null, 'Tue 13:30');
    expect(lines.filter((l) => l.namesReader).map((l) => l.id)).toEqual([named.post]);
    const toNoor = (await room(noor, 'to-you', null, 'Tue 13:30')).lines;
    expect(toNoor.some((l) => l.id === named.post)).toBe(false);
    const by = await conversation(deps(db, 'Tue 13:30'), jun, OPEN, {
      post: null,
      filter: null,
      by: imani.id,
    });
    expect(by.ok && by.value.open?.at).toBe(post.imani);
  });
});

describe('well said and bookmarks', () => {
  const mark = (who: Actor, id: number, kind: 'well-said' | 'bookmark', on = true) =>
    reactToPost(deps(db, 'Tue 14:00'), who, OPEN, id, { kind, on });

  it('well said is for everybody to see, once a person; a bookmark is its maker’s alone', async () => {
    const { imani, jun, noor } = world.people;
    const id = post.noor ?? 0;
    await mark(imani, id, 'well-said');
    await mark(imani, id, 'well-said');
    await mark(jun, id, 'well-said');
    await mark(imani, id, 'bookmark');
    const seen = async (who: Actor) =>
      (await room(who, 'all', id, 'Tue 14:10')).posts.find((p) => p.id === id)?.reactions;
    expect(await seen(imani)).toEqual({ wellSaid: 2, saidByMe: true, bookmarked: true });
    expect(await seen(noor)).toEqual({ wellSaid: 2, saidByMe: false, bookmarked: false });
    expect((await room(imani, 'bookmarked')).lines.map((l) => l.id)).toEqual([id]);
    expect((await room(jun, 'bookmarked')).lines).toEqual([]);
    await mark(jun, id, 'well-said', false);
    expect((await seen(noor))?.wellSaid).toBe(1);
  });

  it('nobody says it of the own post, of what is gone, or of what may not be read', async () => {
    const { imani, noor, jun, stranger } = world.people;
    expect(await mark(noor, post.noor ?? 0, 'well-said')).toEqual({
      ok: false,
      failure: { code: 'own-post' },
    });
    expect(await mark(stranger, post.noor ?? 0, 'well-said')).toEqual({
      ok: false,
      failure: { code: 'not-found' },
    });
    const secret = await shared(
      db,
      noor,
      OPEN,
      'Tue 14:20',
      answer(post.rafi ?? 0, 'For you alone.', { private: true }),
    );
    const late = deps(db, 'Tue 14:30');
    for (const kind of ['well-said', 'bookmark'] as const)
      expect((await reactToPost(late, imani, OPEN, secret.post, { kind, on: true })).ok).toBe(false);
    expect((await glance(late, imani, OPEN, secret.post)).ok).toBe(false);
    const gone = await shared(db, jun, OPEN, 'Tue 14:40', answer(post.rafi ?? 0, 'I take this back.'));
    await withdrawPost(deps(db, 'Tue 14:45'), jun, OPEN, postId(gone.post));
    expect(await mark(imani, gone.post, 'well-said')).toEqual({ ok: false, failure: { code: 'gone' } });
    expect(await glance(deps(db, 'Tue 14:50'), imani, OPEN, gone.post)).toMatchObject({
      ok: true,
      value: { beginning: '', gone: true },
    });
  });

  it('behind the seal there is nothing to mark or to glance at', async () => {
    const { noor, jun } = world.people;
    const sealed = await shared(db, noor, SEALED, 'Tue 09:00', shareInput('Sealed words of mine.'));
    const at = deps(db, 'Tue 15:00');
    expect((await reactToPost(at, jun, SEALED, sealed.post, { kind: 'well-said', on: true })).ok).toBe(false);
    expect((await glance(at, jun, SEALED, sealed.post)).ok).toBe(false);
    expect(await db('reactions').where({ post_id: sealed.post })).toEqual([]);
  });
});

describe('a post that is changed while it is answered', () => {
  it('is told when its answer is shared, with the text of now; who shares all the same does', async () => {
    const { imani, rafi } = world.people;
    const id = post.rafi ?? 0;
    await changePost(deps(db, 'Tue 16:00'), rafi, OPEN, postId(id), {
      title: '',
      doc: text('Who pays, and when?'),
    });
    const input = answer(id, 'The county pays, I think.');
    const told = await share(deps(db, 'Tue 16:05'), imani, OPEN, { ...input, answeredN: 1 });
    if (told.ok || told.failure.code !== 'answered-changed') throw new Error('was shared without a word');
    expect([told.failure.n, plainText(told.failure.doc)]).toEqual([2, 'Who pays, and when?']);
    expect((await share(deps(db, 'Tue 16:06'), imani, OPEN, { ...input, answeredN: 2 })).ok).toBe(true);
  });

  it('is told on the page to who began before: with the text of then, which nobody else is given', async () => {
    const { kwame, jun, noor } = world.people;
    const id = post.noor ?? 0;
    await draft(kwame, id, 'Sixty years is long.', 'Tue 17:00');
    expect((await room(kwame, 'all', id, 'Tue 17:01')).reply?.changed).toBeNull();
    await changePost(deps(db, 'Tue 17:05'), noor, OPEN, postId(id), {
      title: '',
      doc: text('The wall held for sixteen years.'),
    });
    const { reply } = await room(kwame, 'all', id, 'Tue 17:10');
    expect(
      reply?.changed?.compared?.stretches
        .filter((s) => s.kind !== 'only-second')
        .map((s) => s.text)
        .join(''),
    ).toBe('The wall held for sixty years.');
    expect(reply?.answering.plain).toBe('The wall held for sixteen years.');
    await draft(jun, id, 'I begin only now.', 'Tue 17:15');
    const other = await room(jun, 'all', id, 'Tue 17:16');
    expect(other.reply?.changed).toBeNull();
    expect(JSON.stringify(other)).not.toContain('sixty years');
  });

  it('is told when it was withdrawn, and the answer is kept to be taken elsewhere', async () => {
    const { imani, jun } = world.people;
    const gone = await shared(db, jun, OPEN, 'Tue 18:00', answer(post.kwame ?? 0, 'Soon to be gone.'));
    await draft(imani, gone.post, 'My answer to it.', 'Tue 18:05');
    await withdrawPost(deps(db, 'Tue 18:10'), jun, OPEN, postId(gone.post));
    expect(await share(deps(db, 'Tue 18:15'), imani, OPEN, answer(gone.post, 'My answer to it.'))).toEqual({
      ok: false,
      failure: { code: 'answered-gone' },
    });
    const { reply, orphaned } = await room(imani, 'all', gone.post, 'Tue 18:20');
    expect(reply).toBeNull();
    expect(orphaned && [orphaned.name, plainText(orphaned.draft)]).toEqual([
      'Jun Hathaway',
      'My answer to it.',
    ]);
    expect((await room(world.people.noor, 'all', gone.post, 'Tue 18:20')).orphaned).toBeNull();
  });
});

it('the card of a person holds only what its reader may read', async () => {
  const { imani, noor } = world.people;
  const secret = await shared(
    db,
    noor,
    OPEN,
    'Tue 19:00',
    answer(post.jun ?? 0, 'Only Jun reads this.', { private: true }),
  );
  const id = post.noor ?? 0;
  const card = async (who: Actor) =>
    ((await room(who, 'all', id, 'Tue 19:10')).authors[noor.id] ?? []).map((p) => p.id);
  expect(await card(imani)).not.toContain(secret.post);
  expect(await card(world.people.jun)).toContain(secret.post);
  expect(await card(imani)).toContain(id);
});

it('what the page says before sharing is what the ledger says after, for random histories', async () => {
  const { imani, holt } = world.people;
  const staff = (await shared(db, holt, OPEN, 'Tue 20:00', shareInput('A question from me to all.'))).post;
  const targets = [post.noor, post.jun, post.rafi, post.kwame, post.imani, post.rafiToImani, staff].map(
    (p) => p ?? 0,
  );
  const step = fc.record({
    to: fc.constantFrom(...targets),
    secret: fc.boolean(),
    short: fc.boolean(),
    day: fc.constantFrom('Wed', 'Thu', 'Fri', 'Sat'),
  });
  const days = ['Wed', 'Thu', 'Fri', 'Sat'];
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 5 }), async (steps) => {
      await db('posts').where({ author_id: imani.id, kind: 'reply' }).delete();
      const inOrder = [...steps].sort((a, b) => days.indexOf(a.day) - days.indexOf(b.day));
      for (const [i, { to, secret, short, day }] of inOrder.entries()) {
        const when = `${day} 10:${String(10 + i)}`;
        const before = await room(imani, 'all', to, when);
        if (!before.ledgerInput || !before.reply) throw new Error('no page to reply on');
        const { person, staff: toStaff, self } = before.reply.answering;
        const unmet = short ? (['words'] as const) : [];
        const secretly = secret && !self;
        const said = previewVerdict(
          before.ledgerInput,
          { kind: 'reply', to: { person, staff: toStaff }, private: secretly },
          [...unmet],
        );
        const made = await shared(
          db,
          imani,
          OPEN,
          when,
          answer(to, short ? `Short${i}` : `Enough words ${i}`, { private: secret }),
        );
        const after = (await room(imani, 'all', to, when)).head.ledger?.verdicts.find(
          (v) => v.post === made.post,
        );
        expect({ ...after, post: 0 }).toEqual({ ...said, post: 0 });
      }
    }),
    { numRuns: 12 },
  );
});
