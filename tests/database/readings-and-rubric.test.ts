import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { documentOf } from '@/core/formats/as-document';
import { plainText } from '@/core/document/flatten';
import { rubricSchema } from '@/core/rubric/rubric';
import { addReading, replaceText } from '@/server/courses/add-reading';
import { readingPage } from '@/server/courses/readings';
import { addRecording, recordingSound, removeRecording } from '@/server/courses/recordings';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { quoteIntoDraft } from '@/server/drafts/quote';
import { exportNotes, importNotes } from '@/server/notes/exchange';
import { addNote, editNote, noteInputSchema } from '@/server/notes/notes';
import { estimate, tickViewing } from '@/server/rubric/rubric';
import { markSchema } from '@/core/marks/mark';
import { keepMark } from '@/server/marks/keep';
import { releaseMarks } from '@/server/marks/release';
import { folderStore } from '@/server/files/folder-store';
import * as setup from '@/server/setup/setup';
import type { Actor } from '@/server/deps';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

const READING = 'the-wall';
const folder = mkdtempSync(join(tmpdir(), 'pulpit-beside-'));
const withStore = () => ({ ...at(db, 'Tue 12:00'), files: folderStore(folder), sites: [] });
const TEXT =
  'A levee is a promise about a line.\n\nThe wall does not make the flood. It makes the damage.\n\nWarning time is the cheapest storage there is.';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('beside');
  db = world.db;
  await setup.addReadings(db, [
    {
      course: world.course,
      id: randomUUID(),
      slug: READING,
      week: 6,
      position: 1,
      title: 'Chapter 6: The wall',
      author: 'M. Holt',
      words: 30,
      doc: documentOf(TEXT),
      place: '',
    },
  ]);
  const rubric = rubricSchema.parse({
    criteria: [
      {
        id: 'asked',
        title: 'Answers',
        levels: [
          { title: 'all', points: 5 },
          { title: 'part', points: 2 },
        ],
      },
      {
        id: 'heard',
        title: 'Hears',
        levels: [
          { title: 'fairly', points: 3 },
          { title: 'not', points: 0 },
        ],
      },
    ],
  });
  await db('discussions')
    .where({ slug: OPEN })
    .update({
      rubric: JSON.stringify(rubric),
      viewings: JSON.stringify([{ id: 'film', title: 'The film' }]),
    });
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true });
});

const at = deps.bind(null);
const note = (body: string, over: object = {}) => noteInputSchema.parse({ body, audience: 'class', ...over });
const put = async (who: Actor, body: string, over: object = {}) => {
  const made = await addNote(at(db, 'Tue 10:00'), who, READING, note(body, over));
  if (!made.ok) throw new Error(made.failure.code);
  return made.value.id;
};
const page = async (who: Actor) => {
  const found = await readingPage(at(db, 'Tue 12:00'), who, READING);
  if (!found.ok) throw new Error('not found');
  return found.value;
};
const bodies = async (who: Actor) => (await page(who)).notes.map((n) => n.body);

describe('a margin note', () => {
  it('is for whom it was written for, and for nobody else, wherever it could come out', async () => {
    const { imani, noor, holt, stranger } = world.people;
    await put(noor, 'for the class');
    await put(noor, 'for the staff', { audience: 'staff' });
    await put(noor, 'for myself', { audience: 'self' });
    expect((await bodies(noor)).sort()).toEqual(['for myself', 'for the class', 'for the staff']);
    expect(await bodies(imani)).toEqual(['for the class']);
    expect((await bodies(holt)).sort()).toEqual(['for the class', 'for the staff']);
    expect(await readingPage(at(db, 'Tue 12:00'), stranger, READING)).toMatchObject({ ok: false });
    const out = JSON.stringify(await exportNotes(at(db, 'Tue 12:00'), imani, READING, 'https://p.example'));
    expect(out).toContain('for the class');
    expect(out).not.toMatch(/for the staff|for myself/u);
    expect(await exportNotes(at(db, 'Tue 12:00'), stranger, READING, '')).toMatchObject({ ok: false });
    expect(await addNote(at(db, 'Tue 12:00'), stranger, READING, note('from outside'))).toMatchObject({
      ok: false,
    });
  });

  it('answered is as private as the note it answers, and its existence is not told', async () => {
    const { imani, noor, holt } = world.people;
    const secret = await put(noor, 'a question to staff', { audience: 'staff' });
    await put(holt, 'an answer to it', { parent: secret, audience: 'class' });
    expect(await bodies(noor)).toContain('an answer to it');
    expect(await bodies(imani)).not.toContain('an answer to it');
    expect(
      await addNote(at(db, 'Tue 12:00'), imani, READING, note('me too', { parent: secret })),
    ).toMatchObject({
      failure: { code: 'note-gone' },
    });
  });

  it('is changed and removed by its author alone', async () => {
    const { imani, noor, holt } = world.people;
    const id = await put(imani, 'first words');
    for (const other of [noor, holt]) {
      for (const edit of [{ do: 'change', body: 'not mine' } as const, { do: 'remove' } as const])
        expect(await editNote(at(db, 'Tue 12:00'), other, READING, id, edit)).toMatchObject({
          failure: { code: 'note-gone' },
        });
    }
    await editNote(at(db, 'Tue 12:00'), imani, READING, id, { do: 'change', body: 'second words' });
    expect((await page(noor)).notes.find((n) => n.id === id)).toMatchObject({
      body: 'second words',
      changed: true,
    });
    await editNote(at(db, 'Tue 12:00'), imani, READING, id, { do: 'remove' });
    expect((await page(noor)).notes.some((n) => n.id === id)).toBe(false);
  });

  it('that was answered leaves a place without words when it is removed', async () => {
    const { imani, noor } = world.people;
    const id = await put(imani, 'taken back later', { words: 'a promise about a line' });
    await put(noor, 'the answer stays', { parent: id });
    await editNote(at(db, 'Tue 12:00'), imani, READING, id, { do: 'remove' });
    const { notes, marks } = await page(noor);
    expect(notes.find((n) => n.id === id)).toMatchObject({ removed: true, body: '' });
    expect(notes.map((n) => n.body)).toContain('the answer stays');
    expect(marks.flatMap((m) => m.notes)).not.toContain(id);
    expect(JSON.stringify(notes)).not.toContain('taken back later');
  });

  it('stands at its passage, follows it into a newer text, and is an orphan when it is gone', async () => {
    const { imani, holt, noor } = world.people;
    const wall = await put(imani, 'on the wall', { words: 'The wall does not make the flood' });
    const time = await put(imani, 'on time', { words: 'Warning time is the cheapest storage' });
    const found = (id: string, notes: Awaited<ReturnType<typeof page>>['notes']) =>
      notes.find((n) => n.id === id)?.place;
    expect(found(wall, (await page(noor)).notes)?.how).toBe('quote');
    expect(await replaceText(withStore(), imani, READING, 'Not yours to change.', null)).toMatchObject({
      failure: { code: 'not-found' },
    });
    const newer = `A new first paragraph.\n\n${TEXT.replace('does not make the flood', 'doesn’t make a flood').replace(/Warning time.*/u, 'Something else stands at the end now.')}`;
    expect(await replaceText(withStore(), holt, READING, newer, null)).toEqual({
      ok: true,
      value: null,
    });
    const { notes, marks, reading } = await page(noor);
    expect(found(wall, notes)?.how).toBe('alike');
    expect(found(time, notes)).toBeNull();
    expect(notes.find((n) => n.id === time)?.quote).toBe('Warning time is the cheapest storage');
    expect(marks.flatMap((m) => m.notes)).toContain(wall);
    expect(plainText(reading.doc ?? documentOf(''))).toContain('A new first paragraph.');
    await replaceText(withStore(), holt, READING, TEXT, null);
    expect(found(time, (await page(noor)).notes)?.how).toBe('quote');
  });

  it('is refused in words where its passage does not stand, or is too long', async () => {
    const { imani } = world.people;
    expect(
      await addNote(
        at(db, 'Tue 12:00'),
        imani,
        READING,
        note('x', { words: 'wells, deeds and a long drought in another land' }),
      ),
    ).toMatchObject({ failure: { code: 'passage-not-found' } });
    expect(
      await addNote(at(db, 'Tue 12:00'), imani, READING, note('x', { start: 0, end: 5_000 })),
    ).toMatchObject({ failure: { code: 'passage-too-long' } });
  });

  it('goes out and comes in again as Web Annotations; the same file twice adds nothing', async () => {
    const { noor, rafi } = world.people;
    const out = await exportNotes(at(db, 'Tue 12:00'), noor, READING, 'https://p.example');
    const file = JSON.stringify(out.ok ? out.value : null);
    const before = (await bodies(rafi)).length;
    const taken = await importNotes(at(db, 'Tue 12:00'), rafi, READING, file);
    if (!taken.ok) throw new Error(taken.failure.code);
    expect(taken.value.added).toBeGreaterThan(3);
    expect(taken.value.problems).toEqual([]);
    expect((await bodies(rafi)).length).toBe(before + taken.value.added);
    const again = await importNotes(at(db, 'Tue 12:00'), rafi, READING, file);
    expect(again).toMatchObject({ ok: true, value: { added: 0 } });
    expect(await importNotes(at(db, 'Tue 12:00'), rafi, READING, '{"type":')).toMatchObject({
      failure: { code: 'not-json' },
    });
    // What was for its author alone does not become anybody else's by the way of a file.
    expect(await bodies(world.people.kwame)).not.toContain('for myself');
    // Nor is what was for the class said to it again, in the name of who took it in.
    expect((await page(rafi)).notes.filter((n) => n.mine).every((n) => n.audience === 'self')).toBe(true);
  });

  it('fill one reading as far as one person’s notes can, and what is over is said', async () => {
    const { kwame } = world.people;
    const many = (first: number, n: number) =>
      JSON.stringify(
        Array.from({ length: n }, (_, i) => ({
          id: `urn:made:${first + i}`,
          type: 'Annotation',
          body: { type: 'TextualBody', value: `note ${first + i}` },
          target: { source: 'x' },
        })),
      );
    const bring = (file: string) => importNotes(at(db, 'Tue 12:00'), kwame, READING, file);
    expect(await bring(many(0, 450))).toMatchObject({ value: { added: 450, known: 0, over: 0 } });
    // What is known takes no room a second time.
    expect(await bring(many(0, 600))).toMatchObject({ value: { added: 50, known: 450, over: 100 } });
    const input = noteInputSchema.parse({ body: 'one more' });
    expect(await addNote(at(db, 'Tue 12:00'), kwame, READING, input)).toEqual({
      ok: false,
      failure: { code: 'too-many-notes' },
    });
  });
});

describe('a passage on its way into a draft', () => {
  it('stands at its end with its source, and in no other window’s text', async () => {
    const { jun } = world.people;
    const quotation = { text: 'It makes the damage.', source: 'M. Holt, “The wall”' };
    expect(await quoteIntoDraft(at(db, 'Tue 12:00'), jun, OPEN, quotation)).toMatchObject({ ok: true });
    const room = await responseRoom(at(db, 'Tue 12:00'), jun, OPEN);
    expect(room.ok && plainText(room.value.draft.doc)).toBe('It makes the damage.\n(M. Holt, “The wall”)');
    await shared(db, jun, OPEN, 'Tue 12:00', shareInput('Shared by now, in three words.'));
    expect((await quoteIntoDraft(at(db, 'Tue 12:00'), world.people.stranger, OPEN, quotation)).ok).toBe(
      false,
    );
  });
});

describe('the rubric', () => {
  it('takes an estimate before sharing, for its maker’s eyes only, and keeps it beside the mark', async () => {
    const { kwame, holt, noor } = world.people;
    expect(await estimate(at(db, 'Tue 10:00'), kwame, OPEN, { asked: '0', heard: '1', post: '9' })).toEqual({
      ok: true,
      value: null,
    });
    const made = await shared(db, kwame, OPEN, 'Tue 10:30', shareInput('A response in five words.'));
    expect(await estimate(at(db, 'Tue 11:00'), kwame, OPEN, { asked: '1' })).toMatchObject({
      failure: { code: 'already-shared' },
    });
    const mark = markSchema.parse({ levels: { asked: 1, heard: 0 }, remark: 'Good.' });
    const place = { slug: 'geo-115', name: OPEN, person: kwame.id };
    expect(await keepMark(at(db, 'Tue 12:00'), holt, place, { mark, base: 0 })).toMatchObject({ ok: true });
    expect(await releaseMarks(at(db, 'Tue 12:00'), holt, 'geo-115', OPEN, null)).toEqual({
      ok: true,
      value: 1,
    });
    const part = await yourPart(at(db, 'Tue 12:00'), kwame, OPEN);
    expect(part.ok && { ...part.value.sheet, ...part.value.feedback }).toMatchObject({
      estimate: { asked: 0, heard: 1 },
      mark: { mark: { levels: { asked: 1, heard: 0 }, remark: 'Good.' }, marker: 'Dr. Maren Holt' },
    });
    // Neither a classmate nor the marker is ever given the estimate.
    const others = JSON.stringify([
      await yourPart(at(db, 'Tue 12:00'), noor, OPEN),
      await conversation(at(db, 'Tue 12:00'), noor, OPEN, { post: made.post, filter: 'all' }),
    ]);
    expect(others).not.toContain('"marker"');
    const staff = await conversation(at(db, 'Tue 12:00'), holt, OPEN, { post: made.post, filter: 'all' });
    expect(staff.ok && staff.value.marking).toEqual({ id: kwame.id, name: kwame.name });
    expect(JSON.stringify(staff)).not.toContain('estimate');
  });

  it('is not for staff to estimate, nor for those outside to see', async () => {
    expect(await estimate(at(db, 'Tue 10:00'), world.people.holt, OPEN, { asked: '0' })).toMatchObject({
      ok: false,
    });
    expect(await estimate(at(db, 'Tue 10:00'), world.people.stranger, OPEN, { asked: '0' })).toMatchObject({
      ok: false,
    });
  });
});

describe('a viewing', () => {
  it('is ticked off and set back, by each for oneself', async () => {
    const { imani, noor } = world.people;
    const done = async (who: Actor) => {
      const room = await responseRoom(at(db, 'Tue 12:00'), who, OPEN);
      return room.ok && room.value.viewings.map((v) => v.done);
    };
    await tickViewing(at(db, 'Tue 12:00'), imani, OPEN, 'film', true);
    await tickViewing(at(db, 'Tue 12:00'), imani, OPEN, 'film', true);
    expect([await done(imani), await done(noor)]).toEqual([[true], [false]]);
    await tickViewing(at(db, 'Tue 12:00'), imani, OPEN, 'film', false);
    expect(await done(imani)).toEqual([false]);
    expect(await tickViewing(at(db, 'Tue 12:00'), imani, OPEN, 'no such', true)).toMatchObject({ ok: false });
  });
});

describe('a recording', () => {
  const wav = Buffer.concat([Buffer.from('RIFF\0\0\0\0WAVEfmt '), Buffer.alloc(64)]);
  const of = { kind: 'reading', slug: READING } as const;
  it('is put there by staff, and heard by the course only', async () => {
    const { imani, holt, stranger } = world.people;
    expect(await addRecording(at(db, 'Tue 12:00'), imani, of, { bytes: wav, cut: false })).toMatchObject({
      failure: { code: 'not-found' },
    });
    expect(
      await addRecording(at(db, 'Tue 12:00'), holt, of, { bytes: Buffer.from('no sound'), cut: false }),
    ).toMatchObject({ failure: { code: 'no-sound' } });
    expect(await addRecording(at(db, 'Tue 12:00'), holt, of, { bytes: wav, cut: true })).toMatchObject({
      failure: { code: 'sound-too-large' },
    });
    expect(await addRecording(at(db, 'Tue 12:00'), holt, of, { bytes: wav, cut: false })).toEqual({
      ok: true,
      value: null,
    });
    const { recording } = await page(imani);
    expect(recording?.speaker).toBe('Dr. Maren Holt');
    const id = recording?.id ?? '';
    expect((await recordingSound(at(db, 'Tue 12:00'), imani, id))?.mediaType).toBe('audio/wav');
    expect(await recordingSound(at(db, 'Tue 12:00'), stranger, id)).toBeNull();
    expect(await removeRecording(at(db, 'Tue 12:00'), imani, of)).toMatchObject({ ok: false });
    await removeRecording(at(db, 'Tue 12:00'), holt, of);
    expect((await page(imani)).recording).toBeNull();
  });
});

describe('a reading', () => {
  it('is put into a week by staff, out of HTML, Markdown or a table, and by nobody else', async () => {
    const { holt, imani } = world.people;
    const file = (name: string, text: string) => ({ name, bytes: Buffer.from(text), cut: false });
    const input = { week: 6, title: 'Two storms', author: 'T. Aske', text: '' };
    const add = (who: Actor, f: ReturnType<typeof file>) => addReading(withStore(), who, 'geo-115', input, f);
    expect(await add(imani, file('a.md', '# x'))).toMatchObject({ failure: { code: 'not-found' } });
    for (const [f, kinds] of [
      [file('a.html', '<h2>One</h2><p>Two</p>'), ['heading', 'paragraph']],
      [file('a.md', '## One\n\nTwo'), ['heading', 'paragraph']],
      [file('a.csv', 'hour,level\n0,1.2\n'), ['table']],
    ] as const) {
      const made = await add(holt, f);
      if (!made.ok) throw new Error(made.failure.code);
      const found = await readingPage(at(db, 'Tue 12:00'), imani, made.value.slug);
      expect(found.ok && found.value.reading.doc?.content.map((n) => n.type)).toEqual(kinds);
    }
    expect(await add(holt, file('a.docx', 'PK\u0003\u0004 broken'))).toMatchObject({
      failure: { code: 'file-broken' },
    });
  });
});
