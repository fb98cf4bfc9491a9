import type { Habits } from '@/core/desk/habits';
import type { Holiday } from '@/core/desk/holidays';
import type { CourseId } from '@/core/ids';
import type { Db } from '../connection';

/** What every new discussion of a course begins with; null where nobody has said. */
export async function habitsOf(db: Db, course: CourseId): Promise<Habits | null> {
  const row = await db('courses').where({ id: course }).first('habits');
  return row?.habits ?? null;
}

/** Days on which a course rests. */
export async function holidaysIn(db: Db, course: CourseId): Promise<Holiday[]> {
  const row = await db('courses').where({ id: course }).first('holidays');
  return row?.holidays ?? [];
}

/** Says a course's title, term and habits anew; false where another of its code has that term. */
export async function changeCourse(
  db: Db,
  course: CourseId,
  said: { title: string; term: string; habits: Habits; holidays?: Holiday[] },
): Promise<boolean> {
  const changed = await db('courses')
    .where({ id: course })
    .whereNotExists((q) =>
      q
        .select(db.raw('1'))
        .from('courses as o')
        .whereRaw('o.code = courses.code and o.id <> courses.id and o.owner_id is null')
        .where('o.term', said.term),
    )
    .update({
      title: said.title,
      term: said.term,
      habits: JSON.stringify(said.habits),
      ...(said.holidays ? { holidays: JSON.stringify(said.holidays) } : {}),
    });
  return changed > 0;
}
