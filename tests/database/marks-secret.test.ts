import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { documentFromText } from '@/core/document/compose';
import { markSchema } from '@/core/marks/mark';
import { anchorOfWords } from '@/core/notes/anchor';
import type { Actor } from '@/server/deps';
import { calendarView } from '@/server/calendar/calendar';
import { postsToTake } from '@/server/discussions/export';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { enterDiscussion } from '@/server/access/enter';
import { find } from '@/server/find/find';
import { bringMarks } from '@/server/marks/bring';
import { chooseWay, keepMark } from '@/server/marks/keep';
import { releaseMarks } from '@/server/marks/release';
import { keepRemark } from '@/server/marks/remarks';
import { readTwice } from '@/server/marks/together';
import { progressPage } from '@/server/progress/progress';
import { thisWeek } from '@/server/week/this-week';
import { archivedRest } from '@/db/queries/own-archive';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

/** A word that nobody writes anywhere but in marks that are not released. */
const SECRET = 'quabbelgrund';
const GEO = 'geo-115';
const WORDS = 'The wall keeps the river out of the street.';
/** Where staff's work on marks may stand before it is released. */
const STAFFS_OWN = ['brought_marks', 'kept_remarks', 'marking', 'second_readings'];

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const at = () => deps(db, 'Thu 10:00');
beforeAll(async () => {
  world = await smallCourse('marks_secret');
  db = world.db;
  const { imani, holt } = world.people;
  await db('enrolments')
    .where({ person_id: world.people.rafi.id, course_id: world.course })
    .update({ role: 'assistant' });
  await chooseWay(at(), holt, GEO, OPEN, 'remarks');
  const { post } = await shared(db, imani, OPEN, 'Tue 10:00', shareInput(WORDS));
  const anchor = anchorOfWords(WORDS, 'keeps the river out');
  if (!anchor) throw new Error('no passage');
  const mark = markSchema.parse({
    remark: `In general ${SECRET}.`,
    override: { points: 3, reason: `For ${SECRET}.` },
    more: documentFromText(`More of ${SECRET}.`),
    comments: [{ id: randomUUID(), post, n: 1, anchor, body: `On ${SECRET}.`, instead: `better ${SECRET}` }],
  });
  const place = { slug: GEO, name: OPEN };
  await keepMark(at(), holt, { ...place, person: imani.id }, { mark, base: 0 });
  await readTwice(at(), holt, place, { people: [imani.id], reader: world.people.rafi.id });
  const second = { mark, base: 0, second: true };
  await keepMark(at(), world.people.rafi, { ...place, person: imani.id }, second);
  await keepRemark(at(), holt, GEO, { key: 1, body: `A remark on ${SECRET}.` });
  await chooseWay(at(), holt, GEO, OPEN, 'points');
  await db('discussions')
    .where({ slug: OPEN })
    .update({ brief: db.raw(`brief || '{"points": 20}'::jsonb`) });
  await bringMarks(at(), holt, place, {
    name: `${SECRET}.csv`,
    bytes: Buffer.from('Name,Points\nImani Okoro,7'),
    cut: false,
  });
});
afterAll(() => db.destroy());

/** The tables in which the word stands, whatever they are. */
async function tablesWith(word: string): Promise<string[]> {
  const tables: string[] = await db('information_schema.tables')
    .where({ table_schema: 'public', table_type: 'BASE TABLE' })
    .orderBy('table_name')
    .pluck('table_name');
  const found: string[] = [];
  for (const table of tables) {
    const row = await db({ a_row: table })
      .whereRaw('lower(row_to_json(a_row.*)::text) like ?', [`%${word}%`])
      .first(db.raw('1 as there'));
    if (row) found.push(table);
  }
  return found;
}

/** Everything that somebody is ever given, as one text. */
async function givenTo(who: Actor): Promise<string> {
  const door = await enterDiscussion(at(), who, OPEN);
  // What was asked for is said again beside what was found.
  const { posts, texts, people } = await find(at(), who, SECRET);
  return JSON.stringify([
    await thisWeek(at(), who),
    await listDiscussions(at(), who, {}),
    await responseRoom(at(), who, OPEN),
    await conversation(at(), who, OPEN, { post: null, filter: 'all' }),
    await yourPart(at(), who, OPEN),
    await progressPage(at(), who),
    await calendarView(at(), who, { view: 'month' }),
    [posts, texts, people],
    door.ok ? await postsToTake(at(), who, door.value) : null,
    await archivedRest(db, who.id),
  ]).toLowerCase();
}

describe('what staff write of a mark before it is released', () => {
  it('stands in tables of its own alone: in no text, no search, no event, no mail, no log', async () => {
    expect(await tablesWith(SECRET)).toEqual(STAFFS_OWN);
  });

  it('is given to nobody but staff, neither its student nor a classmate nor a stranger', async () => {
    const { imani, noor, stranger } = world.people;
    for (const who of [imani, noor, stranger]) expect(await givenTo(who)).not.toContain(SECRET);
  });

  it('is its student’s alone once it is released, and the second reading is never anybody’s', async () => {
    const { imani, noor, holt } = world.people;
    await chooseWay(at(), holt, GEO, OPEN, 'remarks');
    expect(await releaseMarks(at(), holt, GEO, OPEN, [imani.id])).toEqual({ ok: true, value: 1 });
    expect(await tablesWith(SECRET)).toEqual([...STAFFS_OWN.slice(0, 3), 'marks', 'second_readings']);
    expect(await givenTo(imani)).toContain(`in general ${SECRET}`);
    expect(await givenTo(noor)).not.toContain(SECRET);
  });
});
