import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { postId } from '@/core/ids';
import { parseDocument } from '@/core/posts/document';
import { keepDraft, type DraftInput } from '@/server/drafts/keep';
import { draftVersion, draftVersions } from '@/server/drafts/versions';
import { changePost, withdrawPost } from '@/server/posts/change';
import { changingPost, postHistory } from '@/server/posts/history';
import { namesFor } from '@/server/posts/names';
import { share } from '@/server/posts/share';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { issueReceipt, type ReceiptFile } from '@/server/receipts/issue';
import { rotateKey } from '@/server/receipts/keys';
import { verifyReceipt } from '@/server/receipts/verify';
import { keepNoteToSelf } from '@/server/self/note-to-self';
import { learnWord, proofreading } from '@/server/proofread/proofreading';
import { addToShelf, shelfOf, takeFromShelf } from '@/server/sources/shelf';
import { takeBack } from '@/server/setup/setup';
import type { Actor } from '@/server/deps';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('writing');
  db = world.db;
});
afterAll(() => db.destroy());

const long = (n: number, word = 'word') => Array.from({ length: n }, (_, i) => `${word}${i}`).join(' ');
const RESPONSE = { kind: 'response' as const };

describe('earlier versions of a draft', () => {
  let revision = 0;
  const submission = randomUUID();
  const keep = async (who: Actor, when: string, words: string, over: Partial<DraftInput> = {}) => {
    const kept = await keepDraft(deps(db, when), who, SEALED, {
      kind: 'response',
      parent: null,
      submission,
      title: 'T',
      doc: text(words),
      base: revision,
      conflict: 'tell',
      ...over,
    });
    if (!kept.ok) throw new Error(kept.failure.code);
    revision = kept.value.revision;
  };
  const versions = async (who: Actor) => {
    const found = await draftVersions(deps(db, 'Tue 12:00'), who, SEALED, RESPONSE);
    return found.ok ? found.value : [];
  };

  it('are kept after a pause and before much is taken out, and not at every key', async () => {
    const { imani } = world.people;
    await keep(imani, 'Tue 10:00', long(30));
    await keep(imani, 'Tue 10:00', long(31));
    expect(await versions(imani)).toEqual([]);
    await keep(imani, 'Tue 10:05', long(32));
    await keep(imani, 'Tue 10:05', 'Oh no.');
    expect((await versions(imani)).map((v) => [v.words, v.reason])).toEqual([
      [32, 'as-it-went'],
      [31, 'as-it-went'],
    ]);
  });

  it('come back, and what stood there becomes a version itself', async () => {
    const { imani } = world.people;
    const [newest] = await versions(imani);
    const back = await draftVersion(deps(db, 'Tue 10:06'), imani, SEALED, newest?.id ?? '');
    if (!back.ok) throw new Error('no version');
    await keep(imani, 'Tue 10:06', long(32), { restoring: true });
    expect(back.value.doc).toEqual(text(long(32)));
    expect((await versions(imani))[0]).toMatchObject({ words: 2, reason: 'before-restoring' });
  });

  it('are nobody else’s, staff among them', async () => {
    const { imani, noor, holt, stranger } = world.people;
    const [one] = await versions(imani);
    for (const who of [noor, holt, stranger]) {
      expect(await versions(who)).toEqual([]);
      expect((await draftVersion(deps(db, 'Tue 12:00'), who, SEALED, one?.id ?? '')).ok).toBe(false);
    }
  });
});

describe('a shared post', () => {
  const change = (who: Actor, when: string, post: number, words: string) =>
    changePost(deps(db, when), who, OPEN, postId(post), { title: '', doc: text(words) });
  const part = async (who: Actor, when: string) => {
    const found = await yourPart(deps(db, when), who, OPEN);
    if (!found.ok) throw new Error('no part');
    return found.value.delivered;
  };

  it('is changed by its author only; every version stays for author and staff, the class sees “edited”', async () => {
    const { noor, jun, holt } = world.people;
    const { post } = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('My first three words.'));
    expect((await change(jun, 'Tue 10:30', post, 'Not mine.')).ok).toBe(false);
    expect(await change(noor, 'Tue 10:30', post, 'My second three words.')).toEqual({
      ok: true,
      value: { n: 2 },
    });
    // The same once more (a second press, a lost answer) is one change.
    expect(await change(noor, 'Tue 10:31', post, 'My second three words.')).toEqual({
      ok: true,
      value: { n: 2 },
    });
    for (const who of [noor, holt]) {
      const history = await postHistory(deps(db, 'Tue 11:00'), who, OPEN, post);
      expect(history.ok && history.value.versions.map((v) => v.doc)).toEqual([
        text('My first three words.'),
        text('My second three words.'),
      ]);
    }
    expect((await postHistory(deps(db, 'Tue 11:00'), jun, OPEN, post)).ok).toBe(false);
    const room = await conversation(deps(db, 'Tue 11:00'), jun, OPEN, { post, filter: 'all' });
    expect(room.ok && room.value.posts[0]).toMatchObject({
      edited: true,
      doc: text('My second three words.'),
    });
  });

  it('changed before the deadline counts as changed; after it, the text that was there in time counts', async () => {
    const { kwame } = world.people;
    const { post } = await shared(db, kwame, OPEN, 'Tue 10:00', shareInput('Too short.'));
    expect((await part(kwame, 'Tue 11:00'))[0]?.verdict).toMatchObject({ counted: false, reason: 'short' });
    await change(kwame, 'Wed 10:00', post, 'Now it is long enough.');
    expect((await part(kwame, 'Wed 11:00'))[0]).toMatchObject({
      verdict: { counted: true },
      text: { n: 2, latest: null, edits: 1 },
    });
    await change(kwame, 'Fri 10:00', post, 'Short.');
    const [after] = await part(kwame, 'Fri 11:00');
    expect(after).toMatchObject({ verdict: { counted: true }, text: { n: 2, edits: 2 } });
    expect(after?.text.latest?.doc).toEqual(text('Short.'));
  });

  it('is not changed over a change from another window that its writer has not seen', async () => {
    const { imani } = world.people;
    const { post } = await shared(db, imani, OPEN, 'Tue 10:00', shareInput('As it was at first.'));
    const from = (n: number, words: string) =>
      changePost(deps(db, 'Tue 10:30'), imani, OPEN, post, { title: '', doc: text(words), n });
    expect(await from(1, 'As the first window has it.')).toEqual({ ok: true, value: { n: 2 } });
    expect(await from(1, 'As the second window has it.')).toEqual({
      ok: false,
      failure: { code: 'changed-meanwhile' },
    });
    // A press that is sent again because its answer was lost is no other window.
    expect(await from(1, 'As the first window has it.')).toEqual({ ok: true, value: { n: 2 } });
    expect(await from(2, 'As the second window has it.')).toEqual({ ok: true, value: { n: 3 } });
  });

  it('is never withdrawn under an answer that arrives at the same moment', async () => {
    const { holt, noor } = world.people;
    for (let round = 0; round < 12; round += 1) {
      const { post } = await shared(db, holt, OPEN, 'Tue 10:00', shareInput(`A question of mine, ${round}.`));
      const [answer, gone] = await Promise.all([
        share(
          deps(db, 'Tue 10:05'),
          noor,
          OPEN,
          shareInput(`An answer, ${round}.`, { kind: 'reply', parent: post }),
        ),
        withdrawPost(deps(db, 'Tue 10:05'), holt, OPEN, post),
      ]);
      expect([answer.ok, gone.ok].filter(Boolean)).toHaveLength(1);
    }
  });

  it('is not changed after the closing, and not to nothing', async () => {
    const { rafi } = world.people;
    const { post } = await shared(db, rafi, OPEN, 'Tue 10:00', shareInput('One two three.'));
    expect(await change(rafi, 'Tue 11:00', post, ' ')).toMatchObject({
      failure: { code: 'nothing-written' },
    });
    const closed = { db, now: (on('Sun 23:59') + 60_000) as never };
    const late = await changePost(closed, rafi, OPEN, post, { title: '', doc: text('One two four.') });
    expect(late).toMatchObject({ ok: false, failure: { code: 'closed' } });
  });

  it('being changed has a draft of its own, which owes nothing', async () => {
    const { jun } = world.people;
    const { post } = await shared(db, jun, OPEN, 'Tue 10:00', shareInput('One two three.'));
    const kept = await keepDraft(deps(db, 'Tue 10:10'), jun, OPEN, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc: text('One two three four.'),
      base: 0,
      conflict: 'tell',
      edits: post,
    });
    expect(kept.ok).toBe(true);
    const desk = await changingPost(deps(db, 'Tue 10:20'), jun, OPEN, post);
    expect(desk.ok && desk.value.draft.doc).toEqual(text('One two three four.'));
    expect(desk.ok && desk.value.ledgerInput?.begun).toEqual([]);
    await change(jun, 'Tue 10:30', post, 'One two three four.');
    expect(await db('drafts').where({ author_id: jun.id, edits: post })).toEqual([]);
  });
});

describe('withdrawing', () => {
  const withdraw = (who: Actor, when: string, post: number) =>
    withdrawPost(deps(db, when), who, SEALED, postId(post));

  it('gives the text back as a draft, and the post is read and counted no more', async () => {
    const { rafi, noor } = world.people;
    await shared(db, noor, SEALED, 'Mon 09:00', shareInput('Noor was here first.'));
    const { post } = await shared(db, rafi, SEALED, 'Tue 10:00', shareInput('A hasty first try.'));
    expect(await withdraw(rafi, 'Tue 10:30', post)).toMatchObject({ ok: true, value: { kind: 'response' } });
    const room = await responseRoom(deps(db, 'Tue 10:31'), rafi, SEALED);
    expect(room.ok && room.value.draft.doc).toEqual(text('A hasty first try.'));
    expect(room.ok && room.value.shared).toEqual([]);
    expect(room.ok && room.value.head.ledger?.obligations[0]?.state).toBe('draft');
    const read = await conversation(deps(db, 'Tue 10:31'), noor, SEALED, { post, filter: 'all' });
    expect(JSON.stringify(read)).not.toContain('hasty');
    expect(await withdraw(rafi, 'Tue 10:32', post)).toMatchObject({ failure: { code: 'gone' } });
  });

  it('is not possible once it is answered, nor after the deadline, nor for another', async () => {
    const { jun, kwame } = world.people;
    const { post } = await shared(db, jun, SEALED, 'Tue 10:00', shareInput('Jun’s own response.'));
    expect(await withdraw(kwame, 'Tue 10:05', post)).toMatchObject({ failure: { code: 'not-found' } });
    expect(await withdraw(jun, 'Fri 00:00', post)).toMatchObject({ failure: { code: 'deadline-passed' } });
    await shared(db, kwame, SEALED, 'Tue 11:00', shareInput('Kwame’s own response.'));
    const answer = await shared(
      db,
      kwame,
      SEALED,
      'Tue 11:30',
      shareInput('I see it so too.', { kind: 'reply', parent: post }),
    );
    expect(await withdraw(jun, 'Tue 12:00', post)).toMatchObject({ failure: { code: 'answered' } });
    // An answer that is gone answers no more.
    await takeBack(db, answer.post, 'withdrawn', on('Tue 12:10'));
    expect((await withdraw(jun, 'Tue 12:20', post)).ok).toBe(true);
  });
});

describe('a receipt', () => {
  let file: ReceiptFile;
  let post: number;
  const verify = (over: unknown) => verifyReceipt(db, JSON.stringify(over));
  beforeAll(async () => {
    const { imani } = world.people;
    ({ post } = await shared(
      db,
      imani,
      OPEN,
      'Thu 23:00',
      shareInput('My very own words.', { title: 'Mine' }),
    ));
    const issued = await issueReceipt(deps(db, 'Fri 10:00'), imani, postId(post), null);
    if (!issued.ok) throw new Error('no receipt');
    ({ file } = issued.value);
  });

  it('says who, what, where, when, and how long before the deadline', () => {
    expect(file.receipt).toMatchObject({
      author: { name: 'Imani Okoro' },
      course: { code: 'GEO 115' },
      discussion: { slug: OPEN },
      post: { number: post, version: 1, kind: 'response', ownWords: 4 },
      sharedAt: '2026-10-15T23:00:00.000Z',
      deadline: '2026-10-15T23:59:59.999Z',
      marginSeconds: 3_600,
    });
  });
  it('verifies as it was issued, for anybody', async () => {
    expect(await verify(file)).toMatchObject({ troubles: [], contentChecked: true });
  });
  it.each([
    [
      'the time',
      (f: ReceiptFile) => (f.receipt.sharedAt = '2026-10-14T00:00:00.000Z'),
      'changed',
      'sharedAt',
    ],
    ['the name', (f: ReceiptFile) => (f.receipt.author.name = 'Noor Vasquez'), 'changed', 'author.name'],
    ['the margin', (f: ReceiptFile) => (f.receipt.marginSeconds = 99_999), 'changed', 'marginSeconds'],
    ['a check', (f: ReceiptFile) => (f.receipt.checks[0]!.have = 400), 'changed', 'checks.0.have'],
    [
      'the fingerprint',
      (f: ReceiptFile) => (f.receipt.contentSha256 = 'a'.repeat(64)),
      'changed',
      'contentSha256',
    ],
    ['the text', (f: ReceiptFile) => (f.content.doc = text('My better words.')), 'content', null],
    ['its title', (f: ReceiptFile) => (f.content.title = 'Yours'), 'content', null],
    [
      'the signature',
      (f: ReceiptFile) => (f.jws.signature = `A${f.jws.signature.slice(1).replace(/^./u, '_')}`),
      'signature',
      null,
    ],
    [
      'the key',
      (f: ReceiptFile) =>
        (f.jws.protected = Buffer.from('{"alg":"EdDSA","kid":"nobodyskey"}').toString('base64url')),
      'unknown-key',
      null,
    ],
    [
      'the algorithm',
      (f: ReceiptFile) => (f.jws.protected = Buffer.from('{"alg":"none"}').toString('base64url')),
      'unknown-key',
      null,
    ],
  ])('with %s changed says exactly what fails', async (_what, change, code, field) => {
    const forged = structuredClone(file);
    change(forged);
    const { troubles } = await verify(forged);
    expect(troubles.map((t) => t.code)).toContain(code);
    if (field) expect(troubles).toEqual([{ code, fields: [expect.objectContaining({ field })] }]);
  });
  it('with its signed part changed does not verify, whatever else is made to fit', async () => {
    const forged = structuredClone(file);
    forged.receipt.sharedAt = '2026-10-14T00:00:00.000Z';
    forged.jws.payload = Buffer.from(JSON.stringify(forged.receipt)).toString('base64url');
    expect((await verify(forged)).troubles.map((t) => t.code)).toContain('signature');
  });
  it('signed with a key that was replaced still verifies, and the next is signed with the new one', async () => {
    const next = await rotateKey(db, on('Sat 10:00'));
    expect((await verify(file)).troubles).toEqual([]);
    const again = await issueReceipt(deps(db, 'Sat 11:00'), world.people.imani, postId(post), 1);
    const header = again.ok
      ? (JSON.parse(Buffer.from(again.value.file.jws.protected, 'base64url').toString()) as { kid: string })
      : null;
    expect(header?.kid).toBe(next.id);
    expect(again.ok && (await verify(again.value.file)).troubles).toEqual([]);
    expect(await db('signing_keys').whereNotNull('private_key').count('* as n')).toEqual([{ n: 1 }]);
  });
  it('is given to its author only', async () => {
    for (const who of [world.people.noor, world.people.holt, world.people.stranger])
      expect((await issueReceipt(deps(db, 'Fri 10:00'), who, postId(post), null)).ok).toBe(false);
  });
  it.each(['', 'hello', '{}', '[]', '{"jws":1}', '{"jws":{"protected":"x","payload":"y","signature":"z"}}'])(
    '“%s” is none, and nothing breaks',
    async (said) => expect((await verifyReceipt(db, said)).troubles).not.toEqual([]),
  );
});

describe('notes to self', () => {
  const keep = (who: Actor, body: string, base?: number) =>
    keepNoteToSelf(deps(db, 'Tue 13:00'), who, OPEN, { body, ...(base === undefined ? {} : { base }) });
  const seen = async (who: Actor) => {
    const room = await responseRoom(deps(db, 'Tue 14:00'), who, OPEN);
    return room.ok ? (room.value.note?.body ?? null) : 'no room';
  };
  it('are read by their writer and by nobody else, staff neither', async () => {
    await keep(world.people.imani, 'Ask about the meadow price.', 0);
    expect(await seen(world.people.imani)).toBe('Ask about the meadow price.');
    expect(await seen(world.people.noor)).toBe(null);
    expect(await seen(world.people.holt)).toBe(null);
  });
  it('of two windows never write over each other silently', async () => {
    const { noor } = world.people;
    const first = await keep(noor, 'From the first.', 0);
    expect(first.ok).toBe(true);
    expect(await keep(noor, 'From the second.', 0)).toMatchObject({
      failure: { code: 'other-window', body: 'From the first.' },
    });
    expect(await seen(noor)).toBe('From the first.');
  });
});

describe('whom a text may name', () => {
  it('is offered from the course alone, and behind the seal no post', async () => {
    const { holt } = world.people;
    const names = await namesFor(deps(db, 'Tue 15:00'), holt, SEALED);
    expect(names.ok && names.value.people.map((p) => p.name)).not.toContain('Leila Fenwick');
    expect((await namesFor(deps(db, 'Tue 15:00'), world.people.stranger, SEALED)).ok).toBe(false);
    const sealed = await namesFor(deps(db, 'Tue 15:00'), world.people.imani, SEALED);
    expect(sealed.ok && sealed.value.posts).toEqual([]);
  });
  it('is asked again when a text is kept: a forged mention keeps its words and loses its mark', async () => {
    const { imani, noor, stranger } = world.people;
    const doc = {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: '@Noor', marks: [{ type: 'mention', attrs: { person: noor.id } }] },
            { type: 'text', text: ' and ' },
            { type: 'text', text: '@Leila', marks: [{ type: 'mention', attrs: { person: stranger.id } }] },
          ],
        },
      ],
    };
    await keepDraft(deps(db, 'Tue 15:00'), imani, SEALED, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc,
      base: 0,
      conflict: 'replace',
    });
    const room = await responseRoom(deps(db, 'Tue 15:01'), imani, SEALED);
    const kept = JSON.stringify(room.ok && room.value.draft.doc);
    expect(kept).toContain(noor.id);
    expect(kept).toContain('@Leila');
    expect(kept).not.toContain(stranger.id);
  });
});

describe('the shelf of sources', () => {
  const add = (who: Actor, source: Parameters<typeof addToShelf>[3]) =>
    addToShelf(deps(db, 'Tue 10:00'), who, OPEN, source);
  const pasted = (text: string, more: object = {}) => ({
    pasted: text,
    title: '',
    author: '',
    year: '',
    ...more,
  });
  const shelf = async (who: Actor) => {
    const found = await shelfOf(deps(db, 'Tue 10:00'), who, OPEN);
    return found.ok ? found.value.sources : [];
  };
  it('takes BibTeX, CSL-JSON and a DOI with its title, and cites each in three styles', async () => {
    const { imani } = world.people;
    const bibtex =
      '@article{h, author={Holt, Maren and Lind, Teodora}, title={The wall that held}, journal={River Studies}, year={2019}, volume={3}, pages={1--20}}';
    expect(await add(imani, pasted(bibtex))).toMatchObject({ ok: true, value: { added: 1 } });
    const [one] = await shelf(imani);
    expect(one?.cited.apa.inText).toBe('(Holt & Lind, 2019)');
    expect(one?.cited.mla.inText).toBe('(Holt and Lind)');
    expect(one?.cited.chicago.inText).toBe('(Holt and Lind 2019)');
    expect(one?.cited.mla.reference).toContainEqual({
      type: 'text',
      text: 'River Studies',
      marks: [{ type: 'italic' }],
    });
    expect(
      await add(
        imani,
        pasted('[{"type":"book","title":"Meadows","author":[{"family":"Aule","given":"D."}]},{"x":1}]'),
      ),
    ).toMatchObject({ ok: true, value: { added: 1, unreadable: 1 } });
    expect(await add(imani, pasted('10.1234/abc'))).toMatchObject({ failure: { code: 'no-title' } });
    const doi = pasted('10.1234/abc', { title: 'Nets', author: 'Zander, P.', year: '2001' });
    expect((await add(imani, doi)).ok).toBe(true);
    expect((await shelf(imani)).map((s) => s.cited.apa.inText)).toEqual([
      '(Aule, n.d.)',
      '(Holt & Lind, 2019)',
      '(Zander, 2001)',
    ]);
  });
  it.each([
    '',
    'hello',
    '@book{',
    '[{}]',
    'https://127.0.0.1/x.bib',
    '@article{x, title={<script>1</script>}}',
  ])('“%s” breaks nothing and fetches nothing', async (text) => {
    const { jun } = world.people;
    await add(jun, pasted(text));
    for (const { cited } of await shelf(jun)) {
      const doc = { type: 'doc', content: [{ type: 'paragraph', content: cited.apa.reference }] };
      expect(parseDocument(doc).ok).toBe(true);
    }
  });
  it('is one’s own: nobody else sees it or takes from it', async () => {
    const { imani, noor } = world.people;
    const [one] = await shelf(imani);
    await takeFromShelf(deps(db, 'Tue 10:00'), noor, one?.id ?? '');
    expect(await shelf(imani)).toHaveLength(3);
    expect(await shelf(noor)).toEqual([]);
    await takeFromShelf(deps(db, 'Tue 10:00'), imani, one?.id ?? '');
    expect(await shelf(imani)).toHaveLength(2);
  });
});

describe('words that are right here', () => {
  const known = async (who: Actor) => {
    const found = await proofreading(deps(db, 'Tue 10:00'), who, OPEN);
    return found.ok ? found.value.known : [];
  };
  it('are one’s own, or by staff the course’s', async () => {
    const { imani, noor, holt } = world.people;
    const learn = (who: Actor, word: string, course: boolean) =>
      learnWord(deps(db, 'Tue 10:00'), who, OPEN, { word, course });
    await learn(imani, 'groyne', false);
    await learn(imani, 'Groyne', false);
    await learn(holt, 'thalweg', true);
    expect((await learn(noor, 'wrongish', true)).ok).toBe(false);
    expect(await known(imani)).toEqual(['groyne', 'thalweg']);
    expect(await known(noor)).toEqual(['thalweg']);
  });
});
