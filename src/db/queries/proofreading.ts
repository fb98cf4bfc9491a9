import type { CourseId, PersonId } from '@/core/ids';
import type { Spelling } from '@/core/proofread/spelling';
import type { Ask } from '../ask';
import type { Db } from '../connection';

/** The words that are right here: the person's own, and those of the course. */
export const knownWords = (db: Db, person: PersonId, course: CourseId): Ask<string[]> => ({
  query: db('known_words')
    .where('person_id', person)
    .orWhere('course_id', course)
    .orderBy('word')
    .select('word'),
  read: (rows) => rows.map((r) => r.word),
});

export const spellingOf = (db: Db, person: PersonId): Ask<Spelling> => ({
  query: db('people').where('id', person).select('spelling'),
  read: ([row]) => row?.spelling ?? 'en-GB',
});

export const setSpelling = (db: Db, person: PersonId, spelling: Spelling) =>
  db('people').where('id', person).update({ spelling });

/** Adds a word; one that is there already stays as it is. */
export async function addKnownWord(
  db: Db,
  word: { id: string; word: string } & ({ person: PersonId } | { course: CourseId }),
) {
  await db('known_words')
    .insert({
      id: word.id,
      word: word.word,
      ...('person' in word ? { person_id: word.person } : { course_id: word.course }),
    })
    .onConflict()
    .ignore();
}

/** The texts of a course's readings, up to a week: what a draft may have taken over. */
export const readingTexts = (
  db: Db,
  course: CourseId,
  week: number,
): Ask<{ title: string; text: string }[]> => ({
  query: db('readings')
    .where('course_id', course)
    .where('week', '<=', week)
    .whereNotNull('doc')
    .orderBy(['week', 'position'])
    .select('title', 'plain'),
  read: (rows) => rows.map((r) => ({ title: r.title, text: r.plain })),
});
