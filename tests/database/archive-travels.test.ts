import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { strFromU8, unzipSync, zipSync } from 'fflate';
import { exportJWK, generateKeyPair } from 'jose';
import type { Knex } from 'knex';
import { attachmentsIn } from '@/core/document/attachments';
import { plainText } from '@/core/document/flatten';
import { discussionAsJson } from '@/core/formats/discussion-export';
import { discussionToTake } from '@/server/discussions/export';
import { confirmIntake } from '@/server/outside/confirm';
import { takeIn } from '@/server/outside/take-in';
import { postId } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { namedIn } from '@/core/document/names';
import { documentsIn, readOwnCourses } from '@/core/people/own-courses';
import type { Receipt } from '@/core/receipts/receipt';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { keepDraft } from '@/server/drafts/keep';
import { ownWordsInCourses } from '@/db/queries/own-words';
import { folderStore } from '@/server/files/folder-store';
import { readableFile } from '@/server/files/read';
import { receiveWhole } from '@/server/files/receive';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { ownArchive } from '@/server/people/archive';
import { bringCourses } from '@/server/people/bring-courses';
import { changePost } from '@/server/posts/change';
import { verifyReceipt } from '@/server/receipts/verify';
import { photograph } from '../fixtures/files';
import { jwcryptoVerifies } from '../fixtures/jwcrypto';
import { asksIn } from './asks';
import { deps, on, OPEN, shared, shareInput, smallCourse, text } from './world';

type World = Awaited<ReturnType<typeof smallCourse>>;
let home: World;
let away: World;
let archive: Buffer;
const folder = mkdtempSync(join(tmpdir(), 'archive-'));
const at = (db: Knex, when: string) => ({
  ...deps(db, when),
  files: folderStore(join(folder, db === home.db ? 'home' : 'away')),
});
const files = () => unzipSync(archive);
const json = (path: string): unknown => JSON.parse(strFromU8(files()[path] ?? new Uint8Array()));

const NOORS = 'What Noor wrote is Noor’s, every word.';

/** Two installations that know nothing of each other, and what somebody took along from one. */
beforeAll(async () => {
  home = await smallCourse('archive_home');
  away = await smallCourse('archive_away');
  const { imani, noor, rafi, holt } = home.people;
  const there = at(home.db, 'Tue 09:00');
  const picture = await receiveWhole(there, imani, home.course, 'gauge.jpg', await photograph(640, 480));
  const plan = await receiveWhole(there, imani, home.course, 'plan.txt', Buffer.from('A plan of the levee.'));
  if (!picture.ok || !plan.ok) throw new Error('no file');
  const first: Doc = {
    type: 'doc',
    content: [
      ...text('The levee was rebuilt where it was.').content,
      {
        type: 'picture',
        attrs: {
          file: picture.value.id,
          alt: 'A gauge',
          width: picture.value.width ?? 0,
          height: picture.value.height ?? 0,
        },
      },
      {
        type: 'file',
        attrs: { file: plan.value.id, name: 'plan.txt', mediaType: 'text/plain', bytes: plan.value.bytes },
      },
    ],
  };
  const noors = await shared(home.db, noor, OPEN, 'Tue 09:00', shareInput(NOORS));
  const rafis = await shared(home.db, rafi, OPEN, 'Tue 09:30', shareInput('Rafi says a thing of his own.'));
  const holts = await shared(home.db, holt, OPEN, 'Tue 09:40', shareInput('An instructor begins, too.'));
  const own = await shared(home.db, imani, OPEN, 'Tue 10:00', shareInput('', { doc: first }));
  const changed = await changePost(at(home.db, 'Tue 10:30'), imani, OPEN, postId(own.post), {
    title: 'Later',
    doc: { type: 'doc', content: [...first.content, ...text('And higher, in places.').content] },
  });
  if (!changed.ok) throw new Error(JSON.stringify(changed.failure));
  const named: Doc = {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'As ' },
          { type: 'text', text: '@Noor Vasquez', marks: [{ type: 'mention', attrs: { person: noor.id } }] },
          { type: 'text', text: ' says under ' },
          {
            type: 'text',
            text: `#${noors.post}`,
            marks: [{ type: 'postReference', attrs: { post: noors.post } }],
          },
        ],
      },
    ],
  };
  const answer = (post: typeof noors, doc: Doc, when: string) =>
    shared(home.db, imani, OPEN, when, shareInput('', { kind: 'reply', parent: post.post, doc }));
  await answer(noors, named, 'Tue 11:00');
  await answer(rafis, text('But who pays for it, Rafi?'), 'Tue 11:30');
  const jun = await shared(home.db, home.people.jun, OPEN, 'Tue 11:40', shareInput('Jun has a word, too.'));
  await shared(
    home.db,
    imani,
    OPEN,
    'Tue 11:45',
    shareInput('Between us two.', { kind: 'reply', parent: jun.post, private: true }),
  );
  const kept = await keepDraft(deps(home.db, 'Tue 12:00'), imani, OPEN, {
    kind: 'reply',
    parent: holts.post,
    submission: '00000000-0000-4000-8000-00000000000b',
    title: '',
    doc: text('A question to you.'),
    base: 0,
    conflict: 'tell',
  });
  if (!kept.ok) throw new Error(kept.failure.code);
  await keepNoteToSelf(deps(home.db, 'Tue 12:00'), imani, OPEN, { body: 'Ask about the gauge.' });
  const [{ id: open }] = await home.db('discussions').where({ slug: OPEN }).select('id');
  await home.db('prompt_sources').insert({
    discussion_id: open,
    course_id: home.course,
    name: 'plans.docx',
    whole: 'The instructors’ own plans.',
  });
  const reading = { course_id: home.course, id: '0b0d7a60-54f3-4a57-8f26-3f8c5f1f8d12' };
  await home.db('readings').insert({
    ...reading,
    slug: 'levees',
    week: 6,
    position: 1,
    title: 'Levees',
    author: 'A. Brook',
    words: 3,
    doc: JSON.stringify(text('The wall held.')),
    plain: 'The wall held.',
  });
  const note = {
    course_id: home.course,
    reading_id: reading.id,
    audience: 'class',
    made_at: on('Tue 12:30'),
  };
  await home.db('margin_notes').insert(
    [
      {
        ...note,
        id: randomUUID(),
        author_id: imani.id,
        body: 'Whose wall?',
        anchor: JSON.stringify({ exact: 'wall' }),
      },
      { ...note, id: randomUUID(), author_id: noor.id, body: 'Noor’s own note.' },
    ].map((n) => ({ ...n, made_at: home.db.raw('to_timestamp(?)', [n.made_at / 1_000]) })),
  );
  await home.db('marks').insert({
    course_id: home.course,
    person_id: imani.id,
    discussion_id: home.discussion.open,
    marker_id: holt.id,
    levels: '{}',
    points: 17,
    scheme: JSON.stringify({ by: 'points', of: 20 }),
    comment: 'What the marker says of it.',
    marked_at: new Date(),
  });
  const { asked, answered, pageOf } = asksIn(() => home.db);
  await asked(imani, 'Does the heading count?', {}, 'Tue 10:20');
  await asked(imani, 'I was ill on Monday.', { audience: 'staff' }, 'Tue 12:10');
  const covered = await asked(noor, 'Somebody is ashamed to ask.', { cover: 'class' }, 'Tue 12:05');
  await answered(imani, covered, 'Nothing to be ashamed of.', 'Tue 12:20');
  await answered(imani, covered, 'I wondered, too.', 'Tue 12:21');
  const another = await asked(rafi, 'So is somebody else.', { cover: 'class' }, 'Tue 12:06');
  await answered(imani, another, 'Nor is this.', 'Tue 12:22');
  const ashamed = await asked(imani, 'May a response be a poem?', { cover: 'class' }, 'Tue 12:30');
  const may = await answered(holt, ashamed, 'It may.', 'Tue 12:31');
  const { room = '' } = (await pageOf(imani, ashamed)) ?? {};
  const then = shareInput('Mine is one, then.', { kind: 'reply', parent: may });
  await shared(home.db, imani, room, 'Tue 12:32', then);
  const pieces: Uint8Array[] = [];
  for await (const piece of ownArchive(at(home.db, 'Tue 13:00'), imani)) pieces.push(piece);
  archive = Buffer.concat(pieces);
});
afterAll(async () => {
  await home.db.destroy();
  await away.db.destroy();
  rmSync(folder, { recursive: true });
});

describe('what one wrote in the course of others', () => {
  test('is in the archive with its prompt, and nobody else’s words or name are', () => {
    const own = JSON.stringify(json('data/own courses.json'));
    expect(own).toContain('The levee was rebuilt where it was.');
    for (const theirs of [
      NOORS,
      'a thing of his own',
      'An instructor begins',
      'Castellan',
      'Holt',
      'own plans',
      'own note',
      'marker says',
    ])
      expect(own).not.toContain(theirs);
    // Whom one named oneself, one named in one's own words.
    expect(own.match(/Noor Vasquez/gu)).toHaveLength(1);
  });

  test('is brought into another installation: posts with their versions, whom they answered kept apart, drafts, notes, files', async () => {
    const { stranger } = away.people;
    const brought = await bringCourses(at(away.db, 'Wed 10:00'), stranger, archive);
    expect(brought).toMatchObject({
      ok: true,
      // Four of them stand for what was answered in the discussion, three among the questions.
      value: { courses: 1, discussions: 2, posts: 18, files: 2, left: [], hosted: [] },
    });
    const [{ slug }] = await away
      .db('discussions as d')
      .join('courses as c', 'c.id', 'd.course_id')
      .where('c.owner_id', stranger.id)
      .where('d.title', 'not like', 'Among%')
      .select('d.slug');
    const room = await responseRoom(deps(away.db, 'Wed 11:00'), stranger, slug);
    if (!room.ok) throw new Error('not found');
    const verdicts = room.value.head.ledger?.verdicts.map((v) => [v.counted, v.reason]);
    const before = await responseRoom(deps(home.db, 'Wed 11:00'), home.people.imani, OPEN);
    if (!before.ok) throw new Error('not found');
    expect(verdicts).toEqual(before.value.head.ledger?.verdicts.map((v) => [v.counted, v.reason]));
    const texts = await away
      .db('posts as p')
      .join('post_versions as v', 'v.post_id', 'p.id')
      .join('discussions as d', 'd.id', 'p.discussion_id')
      .where({ 'p.author_id': stranger.id, 'd.slug': slug })
      .orderBy(['p.shared_at', 'v.n'])
      .select('v.doc', 'v.n', 'p.kind');
    expect(texts.map((t) => [t.kind, t.n])).toEqual([
      ['response', 1],
      ['response', 2],
      ['reply', 1],
      ['reply', 1],
      ['reply', 1],
    ]);
    // What did not count there for being between two does not count here.
    expect(verdicts).toHaveLength(4);
    expect(verdicts?.filter(([counted]) => !counted)).toHaveLength(1);
    const carried = attachmentsIn((texts[1] as { doc: Doc }).doc).map(({ node }) => node.attrs);
    for (const attrs of carried) {
      const read = await readableFile(at(away.db, 'Wed 11:00'), stranger, (attrs as { file: string }).file);
      if (!read.ok) throw new Error('not readable');
      const content = await buffer(await at(away.db, 'Wed 11:00').files.read(read.value.sha256));
      expect(content.length).toBe(read.value.bytes);
      if (read.value.mediaType === 'text/plain') expect(content.toString()).toBe('A plan of the levee.');
      else expect(read.value.mediaType).toBe('image/webp');
    }
    expect(carried).toHaveLength(2);
    // Names and numbers of there would be somebody else's and another post's here.
    expect(namedIn((texts[2] as { doc: Doc }).doc)).toEqual({ people: [], posts: [] });
    expect(JSON.stringify((texts[2] as { doc: Doc }).doc)).toContain('@Noor Vasquez');
    const [draft] = await away.db('drafts').where({ author_id: stranger.id }).select('doc', 'parent_id');
    expect(JSON.stringify(draft.doc)).toContain('A question to you.');
    expect(draft.parent_id).not.toBeNull();
    expect(await away.db('notes_to_self').where({ person_id: stranger.id }).pluck('body')).toEqual([
      'Ask about the gauge.\n\nIn the margin of “Levees”, at “wall”:\nWhose wall?\n\nThe mark there: 17 of 20.',
    ]);
  });

  test('among the questions comes as a discussion that asks for nothing, and does not tell who had covered their name', async () => {
    const { stranger } = away.people;
    const [d] = await away
      .db('discussions as d')
      .join('courses as c', 'c.id', 'd.course_id')
      .where({ 'c.owner_id': stranger.id, 'd.title': 'Among the questions' })
      .select('d.id', 'd.slug', 'd.week');
    expect(d.week).toBe(6);
    const part = await yourPart(deps(away.db, 'Wed 11:00'), stranger, d.slug);
    if (!part.ok) throw new Error('not found');
    expect(part.value.head.ledger).toMatchObject({ obligations: [], complete: true });
    const said = await away
      .db('posts as p')
      .join('post_versions as v', 'v.post_id', 'p.id')
      .join('people as a', 'a.id', 'p.author_id')
      .where({ 'p.discussion_id': d.id })
      .orderBy('p.id')
      .select('a.name', 'v.plain');
    const words = said.map((s) => s.plain).join('\n');
    for (const own of ['Does the heading count?', 'I was ill on Monday.', 'Nothing to be ashamed of.'])
      expect(words).toContain(own);
    // What one asked under cover is nobody's to everybody else, and one's own all the same.
    const [covered] = said.filter((s) => s.plain.includes('May a response be a poem?'));
    expect(covered?.name).toBe(away.people.stranger.name);
    expect(words).toContain('Mine is one, then.');
    for (const theirs of ['ashamed to ask', 'So is somebody else', 'It may.'])
      expect(words).not.toContain(theirs);
    // Both whom one answered were answered in the discussion too, under a number. Covered, each has another one, and not the same.
    const numbered = (await away
      .db('posts as p')
      .join('people as a', 'a.id', 'p.author_id')
      .join('courses as c', 'c.id', 'p.course_id')
      .where('c.owner_id', stranger.id)
      .where('a.name', 'like', 'Classmate %')
      .select('a.name', 'p.discussion_id')) as { name: string; discussion_id: string }[];
    const names = numbered.filter((n) => n.discussion_id === d.id).map((n) => n.name);
    expect(new Set(names).size).toBe(2);
    for (const name of names) expect(numbered.filter((n) => n.name === name)).toHaveLength(1);
    // Whoever teaches answers under their own name there.
    expect(said.filter((s) => s.name.startsWith('Instructor'))).toHaveLength(1);
  });

  test('where somebody only asked, notes in margins stand beside what they asked', async () => {
    const { kwame } = home.people;
    await asksIn(() => home.db).asked(kwame, 'Is there a second edition?', {}, 'Tue 12:40');
    await home.db('margin_notes').insert({
      course_id: home.course,
      reading_id: home.db('readings').select('id'),
      audience: 'self',
      made_at: home.db.raw('to_timestamp(?)', [on('Tue 12:41') / 1_000]),
      id: randomUUID(),
      author_id: kwame.id,
      body: 'Not in mine.',
    });
    const [course] = await ownWordsInCourses(home.db, kwame.id);
    expect(course?.discussions.map((d) => [d.title, d.note?.body])).toEqual([
      ['Among the questions', 'In the margin of “Levees”:\nNot in mine.'],
    ]);
  });

  test('stays in words where a file is not in the archive, or is none that may be kept', async () => {
    const whole = files();
    const path = Object.keys(whole).find((name) => name.endsWith('plan.txt')) ?? '';
    const zip = Buffer.from(
      zipSync({ ...whole, [path]: Buffer.from('MZ\x90\x00'.padEnd(4_096, '\0'), 'latin1') }),
    );
    const brought = await bringCourses(at(away.db, 'Wed 12:00'), { ...away.people.holt }, zip);
    // In a course that is held here the archive's is left alone.
    expect(brought).toMatchObject({ value: { discussions: 0, hosted: ['GEO 115'] } });
    const value = json('data/own courses.json') as { courses: { code: string }[] };
    const other = { ...value, courses: value.courses.map((c) => ({ ...c, code: 'GEO 116' })) };
    const renamed = Buffer.from(
      zipSync({
        ...whole,
        'data/own courses.json': Buffer.from(JSON.stringify(other)),
        [path]: Buffer.from('MZ\x90\x00'.padEnd(4_096, '\0'), 'latin1'),
      }),
    );
    const taken = await bringCourses(at(away.db, 'Wed 12:00'), away.people.kwame, renamed);
    expect(taken).toMatchObject({ ok: true, value: { discussions: 2, files: 1, left: ['plan.txt'] } });
    const [{ doc }] = await away
      .db('posts as p')
      .join('post_versions as v', 'v.post_id', 'p.id')
      .where({ 'p.author_id': away.people.kwame.id, 'v.n': 1, 'p.kind': 'response' })
      .select('v.doc');
    expect(attachmentsIn(doc).map(({ node }) => node.type)).toEqual(['picture']);
    expect(JSON.stringify(doc)).toContain('plan.txt');
  });

  test('is what the published form says, in every document', () => {
    const read = readOwnCourses(json('data/own courses.json'));
    if (!read.ok) throw new Error(JSON.stringify(read.failure));
    // A prompt, two versions of a response and three replies, one draft, and what stands for four posts of others.
    const discussion = 1 + 5 + 1 + 4;
    // What stands for a prompt, three questions, four answers, and what stands for three posts of others.
    const questions = 1 + 3 + 4 + 3;
    expect(documentsIn(read.value)).toHaveLength(discussion + questions);
  });
});

describe('receipts in an archive', () => {
  const receipts = () =>
    Object.keys(files())
      .filter((path) => path.startsWith('receipts/'))
      .map((path) => strFromU8(files()[path] ?? new Uint8Array()));

  test('are there for every version, and verify where they come from', async () => {
    expect(receipts()).toHaveLength(5);
    for (const one of receipts())
      expect(await verifyReceipt(home.db, one)).toMatchObject({ troubles: [], contentChecked: true });
    const [first = ''] = receipts();
    const changed = JSON.stringify({
      ...(JSON.parse(first) as object),
      receipt: {
        ...(JSON.parse(first) as { receipt: Receipt }).receipt,
        sharedAt: '2026-10-12T08:00:00.000Z',
      },
    });
    expect((await verifyReceipt(home.db, changed)).troubles).not.toEqual([]);
  });

  test('verify in another installation with the keys that lie beside them, and with no others', async () => {
    const keys = strFromU8(files()['data/keys of receipts.json'] ?? new Uint8Array());
    for (const one of receipts()) {
      expect(await verifyReceipt(away.db, one)).toMatchObject({
        troubles: [{ code: 'unknown-key' }],
        signedBy: null,
      });
      expect(await verifyReceipt(away.db, one, keys)).toMatchObject({ troubles: [], signedBy: 'given' });
    }
    const [first = ''] = receipts();
    expect(await verifyReceipt(away.db, first, '[]')).toMatchObject({ troubles: [{ code: 'not-keys' }] });
    // A key that only calls itself the same.
    const { keys: own } = JSON.parse(keys) as { keys: { kid: string; x: string }[] };
    const { publicKey } = await generateKeyPair('EdDSA', { crv: 'Ed25519' });
    const other = { ...(await exportJWK(publicKey)), kid: own[0]?.kid };
    expect(await verifyReceipt(away.db, first, JSON.stringify({ keys: [other] }))).toMatchObject({
      troubles: [{ code: 'signature' }],
    });
  });

  test('verify without Pulpit, with the keys that lie beside them', () => {
    const keys = json('data/keys of receipts.json') as object;
    for (const one of receipts())
      expect(
        jwcryptoVerifies((JSON.parse(one) as { jws: Parameters<typeof jwcryptoVerifies>[0] }).jws, keys),
      ).toBe(true);
  });
});

test('a discussion that was taken along as data is read back somewhere else by whoever has it, for themselves', async () => {
  const { holt } = home.people;
  const taken = await discussionToTake(deps(home.db, 'Tue 13:00'), holt, OPEN);
  if (!taken.ok) throw new Error(taken.failure.code);
  const data = Buffer.from(discussionAsJson(taken.value, () => null));
  const there = at(away.db, 'Wed 13:00');
  const { rafi } = away.people;
  const intake = await takeIn(there, rafi, {
    text: '',
    html: '',
    files: [{ name: 'open.json', bytes: data, cut: false }],
  });
  if (!intake.ok) throw new Error(intake.failure.code);
  const made = await confirmIntake(there, rafi, intake.value.id, {
    title: 'Open',
    course: 'GEO 116 Rivers',
    zone: 'UTC',
    responseDue: '2026-10-15T23:59',
    repliesDue: '2026-10-18T23:59',
    late: 'refused',
    'response.words.min': '3',
    'replies.count': '3',
  });
  if (!made.ok) throw new Error(JSON.stringify(made.failure));
  const read = await discussionToTake(at(away.db, 'Wed 14:00'), rafi, made.value.slug);
  if (!read.ok) throw new Error(read.failure.code);
  // The files of a post are not in the data: their names stand there.
  const words = (doc: Doc) => plainText(doc).replace(/^\[(?:Picture|File): .*\]\n/gmu, '');
  const said = (posts: typeof taken.value.posts) =>
    posts
      .map((p) => [p.author, p.kind, p.sharedAt, words(p.doc)])
      .sort((a, b) => Number(a[2]) - Number(b[2]) || String(a[0]).localeCompare(String(b[0])));
  expect(said(read.value.posts)).toEqual(said(taken.value.posts));
  // Only who brought it reads it.
  for (const other of [away.people.imani, away.people.holt])
    expect(await discussionToTake(at(away.db, 'Wed 14:00'), other, made.value.slug)).toMatchObject({
      ok: false,
    });
});

test('the page of an archive shows its pictures from the files beside it', () => {
  const page = strFromU8(files()['index.html'] ?? new Uint8Array());
  const [, src = ''] = /<img[^>]* src="([^"]+)"/u.exec(page) ?? [];
  expect(files()[src]?.length).toBeGreaterThan(100);
  expect(page).toContain('its receipt');
});
