import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { beginSchema } from '@/contract/files';
import { instant, postId } from '@/core/ids';
import type { StoredFile } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import { conversation } from '@/server/discussions/conversation';
import type { Actor } from '@/server/deps';
import { keepDraft } from '@/server/drafts/keep';
import { folderStore } from '@/server/files/folder-store';
import { beginUpload, takePiece } from '@/server/files/receive';
import { addNote, noteInputSchema } from '@/server/notes/notes';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { endOwnAccount } from '@/server/people/account';
import { askQuestion } from '@/server/questions/ask';
import { forget, forgetDue, leaveCourse, leavingPage } from '@/server/people/leaving';
import { changePost, withdrawPost } from '@/server/posts/change';
import { moderate } from '@/server/posts/moderation';
import { hashPassword } from '@/server/sessions/sessions';
import { actOnCourse } from '@/server/stewards/courses';
import type { Steward } from '@/server/stewards/enter';
import { actOnPerson, forgetPerson } from '@/server/stewards/people';
import { findPostgres } from '../../scripts/lib/postgres';
import { withDatabase } from '../../scripts/lib/database';
import { photograph } from '../fixtures/files';
import { begun } from './college';
import { deps, on, OPEN, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let steward: Steward;
const folder = mkdtempSync(join(tmpdir(), 'pulpit-leaving-'));
const files = folderStore(folder);
const at = (when: string) => ({ ...deps(db, when), files });
const READING = 'geo-room';

beforeEach(async () => {
  const name = `leaving_${randomUUID().slice(0, 8)}`;
  world = await smallCourse(name);
  db = world.db;
  steward = await begun(db);
  database = `test_${name}`;
  await db('readings').insert({
    course_id: world.course,
    id: randomUUID(),
    slug: READING,
    week: 6,
    position: 1,
    title: 'Room',
    author: 'M. Holt',
    words: 3,
    doc: JSON.stringify(text('Walls and meadows.')),
    plain: 'Walls and meadows.',
    place: '',
  });
});
let database = '';
afterEach(() => db.destroy());
afterAll(() => rmSync(folder, { recursive: true }));

/** Everything there is: the whole database as text, and every file. */
function everything(): string {
  const url = withDatabase(process.env.PULPIT_TEST_DATABASE ?? '', database);
  const dumped = spawnSync(
    join(findPostgres() ?? '', 'pg_dump'),
    ['--format=plain', '--inserts', `--dbname=${url}`],
    { encoding: 'utf8', maxBuffer: 200_000_000 },
  );
  if (dumped.status !== 0) throw new Error(dumped.stderr);
  const stored = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter((path) => statSync(path).isFile())
    .map((path) => readFileSync(path, 'latin1'));
  return [dumped.stdout, ...stored].join('\n').toLowerCase();
}

async function upload(who: Actor, name: string, content: Buffer) {
  const begin = beginSchema.parse({ name, bytes: content.length });
  const upload = await beginUpload(at('Tue 09:00'), who, 'geo-115', begin);
  if (!upload.ok) throw new Error(upload.failure.code);
  const taken = await takePiece(at('Tue 09:00'), who, upload.value.id, 0, content);
  if (!taken.ok || !taken.value.file) throw new Error('not taken');
  return taken.value.file;
}
const carrying = (words: string, file: StoredFile): Doc => ({
  type: 'doc',
  content: [
    { type: 'paragraph', content: [{ type: 'text', text: words }] },
    { type: 'file', attrs: { file: file.id, name: file.name, mediaType: file.mediaType, bytes: file.bytes } },
  ],
});

/** Somebody of the course writes wherever one can write, each time a word that stands nowhere else. */
async function writeEverywhere(who: Actor) {
  await db('people').where({ id: who.id }).update({ said_as: 'zzsaid', name: 'Zzname Zzfamily' });
  const standing = await upload(who, 'zzstandingfile.txt', Buffer.from('zzstandingcontent'));
  const spent = await upload(who, 'zzspentfile.txt', Buffer.from('zzspentcontent'));
  await upload(who, 'zzphoto.png', await photograph(40, 30));
  const post = await shared(
    db,
    who,
    OPEN,
    'Tue 10:00',
    shareInput('x', { doc: carrying('zzearlier said first here.', spent), title: 'zzoldtitle' }),
  );
  const changed = await changePost(deps(db, 'Tue 10:10'), who, OPEN, postId(post.post), {
    title: 'zznewtitle',
    doc: carrying('zzstanding words that the class reads.', standing),
  });
  if (!changed.ok) throw new Error(changed.failure.code);
  const reply = shareInput('zzwithdrawn words of mine.', { kind: 'reply', parent: post.post });
  const gone = await shared(db, who, OPEN, 'Tue 10:20', reply);
  await withdrawPost(deps(db, 'Tue 10:21'), who, OPEN, postId(gone.post));
  const { imani, holt } = world.people;
  const answer = await shared(
    db,
    imani,
    OPEN,
    'Tue 10:30',
    shareInput('An answer to it.', { kind: 'reply', parent: post.post }),
  );
  await moderate(deps(db, 'Tue 10:40'), who, OPEN, postId(answer.post), {
    act: 'report',
    reason: 'zzreported',
  });
  await keepDraft(deps(db, 'Tue 11:00'), who, OPEN, {
    kind: 'reply',
    parent: answer.post,
    submission: randomUUID(),
    title: 'zzdrafttitle',
    doc: text('zzdrafted and never shared'),
    base: 0,
    conflict: 'tell',
  });
  // Under cover, and to the staff alone.
  for (const [words, how] of [
    ['zzcovered', { kind: 'asks', audience: 'everybody', cover: 'class' }],
    ['zzline', { kind: 'line', audience: 'staff', cover: 'no' }],
  ] as const) {
    const done = await askQuestion(deps(db, 'Tue 11:05'), who, 'geo-115', {
      submission: randomUUID(),
      title: '',
      doc: text(`${words} words that were asked.`),
      asking: { ...how, about: null },
    });
    if (!done.ok) throw new Error(done.failure.code);
  }
  const note = (body: string, audience: 'class' | 'self') =>
    addNote(deps(db, 'Tue 11:10'), who, READING, noteInputSchema.parse({ body, audience }));
  await note('zzclassnote', 'class');
  await note('zzselfnote', 'self');
  await keepNoteToSelf(deps(db, 'Tue 11:20'), who, OPEN, { body: 'zznotetoself' });
  const place = { course_id: world.course, person_id: who.id };
  await db('sources').insert({
    id: randomUUID(),
    ...place,
    item: JSON.stringify({ title: 'zzsource' }),
    added_at: new Date(),
  });
  await db('marks').insert({
    ...place,
    discussion_id: world.discussion.open,
    marker_id: holt.id,
    levels: '{}',
    comment: 'zzmarked',
    marked_at: new Date(),
  });
  await db('extensions').insert({
    ...place,
    discussion_id: world.discussion.open,
    response_due: '2026-10-17T12:00',
    reason: 'zzextended',
  });
  await db('known_words').insert({
    id: randomUUID(),
    person_id: who.id,
    word: 'zzknown',
  });
  const calendar = randomUUID();
  await db('busy_calendars').insert({
    id: calendar,
    person_id: who.id,
    name: 'zzcalendar',
    imported_at: new Date(),
    covers_until: new Date(),
    problems: '[]',
  });
  await db('mails').insert({
    id: randomUUID(),
    kind: 'password',
    to_address: `${who.id}@tidewell.example`,
    about: '{}',
    made_at: new Date(),
  });
  await db('invitations').insert({
    id: randomUUID(),
    name: 'zzinvited',
    email: `${who.id}@TIDEWELL.example`,
    made_at: new Date(),
    asked_at: new Date(),
    accepted_at: new Date(),
    accepted_by: who.id,
  });
  await db('rosters').insert({
    id: randomUUID(),
    course_id: world.course,
    brought_by: holt.id,
    file_name: 'class.csv',
    lines: JSON.stringify([{ line: 2, name: 'zzrostered', email: `${who.id}@tidewell.example` }]),
    brought_at: new Date(),
  });
  return { post: post.post, answer: answer.post };
}

const STANDING = [
  'zzstanding',
  'zznewtitle',
  'zzstandingfile',
  'zzstandingcontent',
  'zzclassnote',
  'zzcovered',
  'zzline',
];
const PRIVATE = [
  'zzsaid zzname zzfamily zzspentfile zzspentcontent zzphoto zzearlier zzoldtitle zzwithdrawn zzreported',
  'zzdrafttitle zzdrafted zzselfnote zznotetoself zzsource zzmarked zzextended zzknown zzcalendar zzinvited zzrostered',
].flatMap((line) => line.split(' '));

const found = (words: readonly string[]) => {
  const all = everything();
  return words.filter((word) => all.includes(word));
};
const readBy = async (who: Actor, when: string, post: number) => {
  const seen = await conversation(deps(db, when), who, OPEN, { post: postId(post) } as never);
  return seen.ok ? seen.value.posts.map((p) => [p.author.name, p.gone, p.title]) : [];
};

it('what is written everywhere stands in the database and the store before', async () => {
  await writeEverywhere(world.people.noor);
  expect(found([...STANDING, ...PRIVATE])).toEqual([...STANDING, ...PRIVATE]);
});

it('who is forgotten leaves what the class reads, without a name, and not one word beside', async () => {
  const { noor, imani, jun } = world.people;
  const { post, answer } = await writeEverywhere(noor);
  const toNoor = shareInput('Between us two.', { kind: 'reply', parent: post, private: true });
  const secret = await shared(db, jun, OPEN, 'Tue 12:00', toNoor);
  expect(await forget(at('Wed 08:00'), noor.id)).toEqual({ ok: true, value: null });
  expect(found(PRIVATE)).toEqual([]);
  expect(found([noor.id, `${noor.id}@tidewell.example`])).toEqual([]);
  expect(found(STANDING)).toEqual(STANDING);
  const seen = await readBy(imani, 'Wed 09:00', post);
  expect(seen).toContainEqual(['A former student', null, 'zznewtitle']);
  expect(seen).toContainEqual(['Imani Okoro', null, '']);
  // What was said to them alone is still its writer's, and staff's.
  expect((await readBy(jun, 'Wed 09:00', post)).map(([name]) => name)).toContain('Jun Hathaway');
  expect(await db('posts').where({ id: secret.post }).first('withdrawn_at')).toEqual({ withdrawn_at: null });
  expect(await db('posts').where({ id: answer }).first('author_id')).toEqual({ author_id: imani.id });
  expect(await forget(at('Wed 08:01'), noor.id)).toMatchObject({ failure: { code: 'not-found' } });
  // It still can be answered.
  const after = shareInput('An answer to nobody.', { kind: 'reply', parent: post });
  await shared(db, imani, OPEN, 'Wed 10:00', after);
});

it('where the course withdraws them, nothing they wrote is left at all', async () => {
  const { noor, imani } = world.people;
  const act = { act: 'leavers' as const, leavers: 'withdraw' as const };
  await actOnCourse(deps(db, 'Mon 08:00'), steward, world.course, act);
  const { post } = await writeEverywhere(noor);
  await forget(at('Wed 08:00'), noor.id);
  expect(found([...PRIVATE, ...STANDING])).toEqual([]);
  const seen = await readBy(imani, 'Wed 09:00', post);
  expect(seen).toContainEqual(['A former student', 'withdrawn', '']);
  expect(seen).toContainEqual(['Imani Okoro', null, '']);
});

it('a course is left with what was shared there staying, and nothing else of one’s own', async () => {
  const { noor, imani } = world.people;
  const { post } = await writeEverywhere(noor);
  expect(await leavingPage(deps(db, 'Wed 08:00'), noor, world.course)).toMatchObject({
    value: { code: 'GEO 115', posts: 3, leavers: 'stay' },
  });
  expect(await leaveCourse(at('Wed 08:00'), noor, world.course)).toEqual({ ok: true, value: null });
  expect(await leaveCourse(at('Wed 08:00'), noor, world.course)).toMatchObject({ ok: false });
  expect(await conversation(deps(db, 'Wed 09:00'), noor, OPEN, {} as never)).toMatchObject({
    failure: { code: 'not-found' },
  });
  expect(found(['zzdrafted', 'zzspentcontent', 'zzselfnote', 'zzsource', 'zzmarked'])).toEqual([]);
  expect(await readBy(imani, 'Wed 09:00', post)).toContainEqual(['A former student', null, 'zznewtitle']);
  // The account is there as before, and comes in again like anybody.
  expect(await db('people').where({ id: noor.id }).first('name')).toEqual({ name: 'Zzname Zzfamily' });
  await db('enrolments').insert({ course_id: world.course, person_id: noor.id, role: 'student' });
  await shared(db, noor, OPEN, 'Wed 10:00', shareInput('Words of a new beginning.'));
});

it('an account that its owner ended is forgotten after thirty days, unless it was opened again', async () => {
  const password = 'a heron stands in the shallow bend';
  const { noor, jun } = world.people;
  await db('people')
    .whereIn('id', [noor.id, jun.id])
    .update({ password_hash: await hashPassword(password) });
  for (const who of [noor, jun]) {
    const proof = { password, network: null, since: on('Tue 09:00') };
    expect(await endOwnAccount(deps(db, 'Tue 09:00'), who, proof)).toEqual({ ok: true, value: null });
  }
  await actOnPerson(deps(db, 'Tue 10:00'), steward, jun.id, { act: 'reopen' });
  const days = (n: number) => ({ ...at('Tue 09:00'), now: instant(on('Tue 09:00') + n * 86_400_000) });
  expect(await forgetDue(days(29))).toBe(0);
  expect(await forgetDue(days(30))).toBe(1);
  expect(await db('people').whereIn('id', [noor.id, jun.id]).pluck('id')).toEqual([jun.id]);
});

it('a steward erases what was ended, and what is logged of it names nobody; the last steward stays', async () => {
  const { noor } = world.people;
  expect(await forgetPerson(at('Tue 09:00'), steward, noor.id)).toMatchObject({
    failure: { code: 'not-ended' },
  });
  await actOnPerson(deps(db, 'Tue 09:01'), steward, noor.id, { act: 'end' });
  expect(await forgetPerson(at('Tue 09:02'), steward, noor.id)).toEqual({ ok: true, value: null });
  expect(await db('steward_log').where({ act: 'forgotten' })).toMatchObject([
    { person_id: null, detail: {} },
  ]);
  expect(found([noor.id])).toEqual([]);
  expect(await forget(at('Tue 09:03'), steward.id)).toMatchObject({ failure: { code: 'last-steward' } });
});

it('somebody’s own courses go whole, with what was pasted into them', async () => {
  const { stranger } = world.people;
  const own = randomUUID();
  const told = { id: randomUUID(), name: 'Zztold', time_zone: 'UTC', told_by: stranger.id };
  await db('people').insert(told);
  await db('courses').insert({
    id: own,
    code: 'OWN 1',
    title: 'zzowncourse',
    time_zone: 'UTC',
    owner_id: stranger.id,
  });
  await db('weeks').insert({ course_id: own, number: 1, title: '', starts_on: '2026-10-12', overview: '' });
  await db('enrolments').insert([
    { course_id: own, person_id: stranger.id, role: 'student' },
    { course_id: own, person_id: told.id, role: 'student' },
  ]);
  const id = randomUUID();
  await db.raw(
    `insert into discussions (course_id, id, slug, week, title, prompt, brief, late, grace_minutes, opens, response_due, replies_due,
       prompt_plain) select ?, ?, 'own-1', 1, 'zzownprompt', prompt, brief, late, grace_minutes, opens, response_due, replies_due, ''
     from discussions where id = ?`,
    [own, id, world.discussion.open],
  );
  await db('posts').insert({
    course_id: own,
    discussion_id: id,
    author_id: told.id,
    kind: 'response',
    submission: randomUUID(),
    shared_at: new Date(on('Tue 10:00')),
  });
  expect(found(['zzowncourse', 'zzownprompt', 'zztold'])).toHaveLength(3);
  expect(await forget(at('Wed 08:00'), stranger.id)).toEqual({ ok: true, value: null });
  expect(found(['zzowncourse', 'zzownprompt', 'zztold'])).toEqual([]);
});

it('nothing but forgetting changes a shared text or the log', async () => {
  const { noor, holt } = world.people;
  const { post } = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('Words that stay as they are.'));
  await moderate(deps(db, 'Tue 10:40'), holt, OPEN, postId(post), { act: 'pin', reason: '' });
  await expect(db('post_versions').update({ plain: 'x' })).rejects.toThrow(/never changed/u);
  await expect(db('moderation_log').update({ reason: 'x' })).rejects.toThrow(/logged for good/u);
});
