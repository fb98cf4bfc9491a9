import { habitsSchema, type Habits } from '@/core/planning/habits';
import type { ReadingSpell, Spell } from '@/core/planning/pace';
import type { OpenSpell } from '@/core/planning/spells';
import { courseId, instant, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import type { BusyTime } from '@/core/planning/cannot';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** So many of the latest spells are learnt from: people change. */
const LEARNT_FROM = 60;

export type WorkHistory = { habits: Habits; writing: Spell[]; reading: ReadingSpell[] };

/** How a person wants to work and how they have worked. */
export const workHistory = (db: Db, person: PersonId): Ask<WorkHistory> => ({
  query: db.select(
    db('planning_habits').where({ person_id: person }).select('habits').as('habits'),
    db
      .select(
        db.raw(`coalesce(jsonb_agg(jsonb_build_object('wordsAdded', s.words_added,
          'writingSeconds', s.writing_seconds, 'proofreadingSeconds', s.proofreading_seconds)), '[]')`),
      )
      .from(
        db('writing_spells')
          .where({ person_id: person })
          .whereRaw('writing_seconds + proofreading_seconds > 0')
          .orderBy('ended_at', 'desc')
          .limit(LEARNT_FROM)
          .as('s'),
      )
      .as('writing'),
    db('reading_progress as r')
      .join('readings as g', (j) => j.on('g.course_id', 'r.course_id').andOn('g.id', 'r.reading_id'))
      .where('r.person_id', person)
      .whereNotNull('r.read_at')
      .where('r.seconds', '>', 0)
      .select(db.raw(`coalesce(jsonb_agg(jsonb_build_object('words', g.words, 'seconds', r.seconds)), '[]')`))
      .as('reading'),
  ),
  read: ([row]) => ({
    habits: habitsSchema.parse(row?.habits ?? {}),
    writing: row?.writing ?? [],
    reading: row?.reading ?? [],
  }),
});

export async function setHabits(db: Db, person: PersonId, habits: Habits) {
  await db('planning_habits')
    .insert({ person_id: person, habits: JSON.stringify(habits) })
    .onConflict('person_id')
    .merge();
}

export type WordsToRead = { course: CourseId; week: number; words: number }[];

/** Words of readings that a person has not read, by course and week. */
export const wordsToRead = (db: Db, person: PersonId): Ask<WordsToRead> => ({
  query: db('enrolments as e')
    .join('readings as g', 'g.course_id', 'e.course_id')
    .leftJoin('reading_progress as r', (j) =>
      j.on('r.course_id', 'g.course_id').andOn('r.reading_id', 'g.id').andOn('r.person_id', 'e.person_id'),
    )
    .where('e.person_id', person)
    .whereNull('r.read_at')
    .groupBy('g.course_id', 'g.week')
    .select('g.course_id', 'g.week')
    .sum('g.words as words'),
  read: (rows) => rows.map((r) => ({ course: courseId(r.course_id), week: r.week, words: Number(r.words) })),
});

/** The spell of writing a person was last in, in one discussion. */
export async function latestSpell(
  db: Db,
  person: PersonId,
  discussion: DiscussionId,
): Promise<(OpenSpell & { id: number }) | null> {
  const row = await db('writing_spells')
    .where({ person_id: person, discussion_id: discussion })
    .orderBy('id', 'desc')
    .first();
  return row
    ? {
        id: row.id,
        startedAt: instant(row.started_at),
        endedAt: instant(row.ended_at),
        wordsAtEnd: row.words_at_end,
        wordsAdded: row.words_added,
        writingSeconds: row.writing_seconds,
        proofreadingSeconds: row.proofreading_seconds,
      }
    : null;
}

const spellColumns = (s: OpenSpell) => ({
  started_at: timestamptz(s.startedAt),
  ended_at: timestamptz(s.endedAt),
  words_at_end: s.wordsAtEnd,
  words_added: s.wordsAdded,
  writing_seconds: s.writingSeconds,
  proofreading_seconds: s.proofreadingSeconds,
});

export async function insertSpell(db: Db, person: PersonId, discussion: DiscussionId, spell: OpenSpell) {
  await db('writing_spells').insert({ person_id: person, discussion_id: discussion, ...spellColumns(spell) });
}

export async function updateSpell(db: Db, id: number, spell: OpenSpell) {
  await db('writing_spells').where({ id }).update(spellColumns(spell));
}

export type BusyCalendar = {
  id: string;
  name: string;
  importedAt: Instant;
  coversUntil: Instant;
  problems: unknown;
  times: number;
};

export async function busyCalendars(db: Db, person: PersonId): Promise<BusyCalendar[]> {
  const rows = await db('busy_calendars as c')
    .where('c.person_id', person)
    .orderBy('c.imported_at')
    .select('c.*', db.raw('(select count(*) from busy_times t where t.calendar_id = c.id) as times'));
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    importedAt: instant(r.imported_at),
    coversUntil: instant(r.covers_until),
    problems: r.problems,
    times: Number(r.times),
  }));
}

/** What a person is busy with between two moments. */
export const busyTimes = (db: Db, person: PersonId, from: Instant, to: Instant): Ask<BusyTime[]> => ({
  query: db('busy_calendars as c')
    .join('busy_times as t', 't.calendar_id', 'c.id')
    .where('c.person_id', person)
    .where('t.starts_at', '<', timestamptz(to))
    .where('t.ends_at', '>', timestamptz(from))
    .orderBy('t.starts_at')
    .select('t.starts_at', 't.ends_at', 't.title'),
  read: (rows) =>
    rows.map((r) => ({
      start: instant(at(r.starts_at)),
      end: instant(at(r.ends_at)),
      title: r.title,
    })),
});

/** Stores an imported calendar in place of an earlier one of the same name. */
export async function replaceBusyCalendar(
  db: Db,
  person: PersonId,
  calendar: { id: string; name: string; importedAt: Instant; coversUntil: Instant; problems: unknown[] },
  times: { start: Instant; end: Instant; title: string }[],
) {
  await db('busy_calendars').where({ person_id: person, name: calendar.name }).delete();
  await db('busy_calendars').insert({
    id: calendar.id,
    person_id: person,
    name: calendar.name,
    imported_at: timestamptz(calendar.importedAt),
    covers_until: timestamptz(calendar.coversUntil),
    problems: JSON.stringify(calendar.problems),
  });
  await db.batchInsert(
    'busy_times',
    times.map((t) => ({
      calendar_id: calendar.id,
      starts_at: timestamptz(t.start),
      ends_at: timestamptz(t.end),
      title: t.title,
    })),
    2_000,
  );
}

export async function deleteBusyCalendar(db: Db, person: PersonId, id: string) {
  await db('busy_calendars').where({ person_id: person, id }).delete();
}
