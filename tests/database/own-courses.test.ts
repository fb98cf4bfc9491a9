import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import type { Knex } from 'knex';
import { readOwnCourses } from '@/core/people/own-courses';
import { documentFromText } from '@/core/document/compose';
import { ownCourses } from '@/db/queries/own-courses';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { keepDraft } from '@/server/drafts/keep';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { confirmIntake } from '@/server/outside/confirm';
import { takeIn } from '@/server/outside/take-in';
import { ownArchive } from '@/server/people/archive';
import { bringCourses } from '@/server/people/bring-courses';
import { folderStore } from '@/server/files/folder-store';
import { deps, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let archive: Buffer;
let slug: string;

const WHEN = 'Tue 10:00';
const folder = mkdtempSync(join(tmpdir(), 'own-courses-'));
const at = (when: string) => ({ ...deps(db, when), files: folderStore(folder) });
const post = (who: string, at: string, text: string, below = '') =>
  `<li><p><b>${who}</b>, ${at}</p><p>${text}</p>${below ? `<ul>${below}</ul>` : ''}</li>`;
const PAGE = `<title>Whose noise? | SOC 118 Living Close</title><h1>Whose noise?</h1><p>Say which sound you would stop. Five words.</p><table><tr><th>Criteria</th><th>Full (4)</th><th>Part (2)</th></tr><tr><td>Depth</td><td>Says why it is so</td><td>Says that it is so</td></tr></table><ul>${post(
  'Grace Adeyemi',
  '12 Oct 2026, 09:00',
  'A drone. Nobody should have the right to stop it.',
  post('Imani Okoro', '12 Oct 2026, 11:30', 'Is it the noise that you mind, or that it looks in?'),
)}${post('Imani Okoro', '12 Oct 2026, 10:00', 'Bells, at six, at noon and at six again, ninety seconds each.')}</ul>`;

beforeAll(async () => {
  world = await smallCourse('own_courses');
  db = world.db;
  const { imani } = world.people;
  const taken = await takeIn(deps(db, WHEN), imani, {
    text: '',
    html: '',
    files: [{ name: 'noise.html', bytes: Buffer.from(PAGE), cut: false }],
  });
  if (!taken.ok) throw new Error(taken.failure.code);
  const fields = {
    title: 'Whose noise?',
    course: 'SOC 118 Living Close',
    zone: 'UTC',
    responseDue: '2026-10-15T23:59',
    repliesDue: '2026-10-18T23:59',
    late: 'refused',
    'response.words.min': '5',
    'replies.count': '2',
  };
  const made = await confirmIntake(deps(db, WHEN), imani, taken.value.id, fields, 'taken');
  if (!made.ok) throw new Error(JSON.stringify(made.failure));
  slug = made.value.slug;
  const [graces] = await db('posts as p')
    .join('people as a', 'a.id', 'p.author_id')
    .where('a.name', 'Grace Adeyemi')
    .select('p.id');
  const kept = await keepDraft(deps(db, WHEN), imani, slug, {
    kind: 'reply',
    parent: Number(graces.id),
    submission: '00000000-0000-4000-8000-00000000000a',
    title: '',
    doc: documentFromText('And who hears it at night?'),
    base: 0,
    conflict: 'tell',
  });
  if (!kept.ok) throw new Error(kept.failure.code);
  const noted = await keepNoteToSelf(deps(db, WHEN), imani, slug, { body: 'Ask about the drone.' });
  if (!noted.ok) throw new Error('no note');
  const pieces: Uint8Array[] = [];
  for await (const piece of ownArchive(at(WHEN), imani)) pieces.push(piece);
  archive = Buffer.concat(pieces);
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

/** What stands in a person's own courses, without the numbers that are each installation's own. */
async function standing(person: (typeof world.people)['imani']) {
  const { courses } = await ownCourses(db, person.id);
  return courses.map((c) => ({
    ...c,
    discussions: c.discussions.map((d) => {
      const place = new Map(d.posts.map((p, i) => [p.n, i]));
      const answers = <T extends { answers: number | null }>(x: T) => ({
        ...x,
        answers: x.answers === null ? null : place.get(x.answers),
      });
      return {
        ...d,
        posts: d.posts.map((p) => ({ ...answers(p), n: place.get(p.n) })),
        drafts: d.drafts.map(answers),
      };
    }),
  }));
}

describe('one’s own courses, from one installation to another', () => {
  test('come out of an archive as they were: prompts, rules, everybody’s posts, drafts, notes', async () => {
    const { imani, rafi } = world.people;
    const brought = await bringCourses(at('Tue 11:00'), rafi, archive);
    expect(brought).toEqual({
      ok: true,
      value: { courses: 1, discussions: 1, posts: 3, files: 0, left: [], known: 0, hosted: [] },
    });
    expect(await standing(rafi)).toEqual(await standing(imani));
    const [{ slug: theirs }] = await db('discussions as d')
      .join('courses as c', 'c.id', 'd.course_id')
      .where('c.owner_id', rafi.id)
      .select('d.slug');
    // What counted counts, and from when it did.
    const ledgerOf = async (who: typeof rafi, where: string) => {
      const room = await responseRoom(deps(db, 'Tue 12:00'), who, where);
      if (!room.ok) throw new Error('not found');
      return room.value.head.ledger?.verdicts.map((v) => [v.at, v.counted, v.reason]);
    };
    expect(await ledgerOf(rafi, theirs)).toEqual(await ledgerOf(imani, slug));
    expect(await conversation(deps(db, 'Tue 12:00'), imani, theirs, { show: 'all' } as never)).toMatchObject({
      ok: false,
    });
  });

  test('are brought twice without being doubled', async () => {
    const { rafi } = world.people;
    const before = await standing(rafi);
    expect(await bringCourses(at('Tue 12:00'), rafi, archive)).toMatchObject({
      value: { discussions: 0, known: 1 },
    });
    expect(await standing(rafi)).toEqual(before);
  });

  test('that are held here under the same name are left alone', async () => {
    const value = {
      format: 'pulpit own courses',
      version: 1,
      courses: (await ownCourses(db, world.people.imani.id)).courses,
    };
    const hosted = { ...value, courses: value.courses.map((c) => ({ ...c, code: 'GEO 115' })) };
    const zip = Buffer.from(zipSync({ 'data/own courses.json': Buffer.from(JSON.stringify(hosted)) }));
    expect(await bringCourses(at(WHEN), world.people.kwame, zip)).toMatchObject({
      value: { discussions: 0, hosted: ['GEO 115'] },
    });
    expect(await standing(world.people.kwame)).toEqual([]);
  });

  test.each([
    ['no archive', () => Buffer.from('words'), { code: 'no-archive' }],
    [
      'an archive of something else',
      () => Buffer.from(zipSync({ 'a.txt': Buffer.from('a') })),
      { code: 'no-courses' },
    ],
    [
      'no JSON',
      () => Buffer.from(zipSync({ 'data/own courses.json': Buffer.from('{') })),
      { code: 'not-own-courses' },
    ],
    [
      'a later version',
      () =>
        Buffer.from(
          zipSync({ 'data/own courses.json': Buffer.from('{"format":"pulpit own courses","version":2}') }),
        ),
      { code: 'newer' },
    ],
  ])('are not taken out of %s, and nothing is changed', async (_, bytes, failure) => {
    expect(await bringCourses(at(WHEN), world.people.noor, bytes())).toEqual({ ok: false, failure });
    expect(await standing(world.people.noor)).toEqual([]);
  });

  test('are taken whole or not at all: a text that is none, an answer to nothing', async () => {
    const good = await ownCourses(db, world.people.imani.id);
    const changed = (change: (d: (typeof good)['courses'][number]['discussions'][number]) => object) => ({
      ...good,
      courses: good.courses.map((c) => ({
        ...c,
        discussions: c.discussions.map((d) => ({ ...d, ...change(d) })),
      })),
    });
    expect(readOwnCourses(good)).toMatchObject({ ok: true });
    for (const broken of [
      changed(() => ({ prompt: { type: 'doc', content: [{ type: 'script' }] } })),
      changed((d) => ({ posts: d.posts.map((p) => ({ ...p, answers: 999_999 })) })),
      changed((d) => ({ posts: [...d.posts, ...d.posts] })),
      changed(() => ({ responseDue: 'soon' })),
      changed(() => ({ more: true })),
    ])
      expect(readOwnCourses(broken)).toMatchObject({ ok: false, failure: { code: 'malformed' } });
  });
});
