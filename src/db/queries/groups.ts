import { personId, type CourseId, type PersonId } from '@/core/ids';
import type { Db } from '../connection';

export type GroupRecord = { id: string; name: string; posts: number };

/** The groups of a course by name, each with how many posts belong to it. */
export async function groupsOf(db: Db, course: CourseId): Promise<GroupRecord[]> {
  const rows = await db('groups as g')
    .leftJoin('posts as p', (j) => j.on('p.course_id', 'g.course_id').andOn('p.group_id', 'g.id'))
    .where('g.course_id', course)
    .groupBy('g.id', 'g.name')
    .select('g.id', 'g.name')
    .count('p.id as posts');
  return rows
    .map((r) => ({ id: String(r.id), name: String(r.name), posts: Number(r.posts) }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
}

/** The students of a course by name, with their group and when they said that they can work with others. */
export async function studentsInGroups(
  db: Db,
  course: CourseId,
): Promise<{ id: PersonId; name: string; group: string | null; times: number }[]> {
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where({ 'e.course_id': course, 'e.role': 'student' })
    .whereNull('p.former_since')
    .orderBy(['p.name', 'p.id'])
    .select('p.id', 'p.name', 'e.group_id', 'e.times');
  return rows.map((r) => ({ id: personId(r.id), name: r.name, group: r.group_id, times: r.times }));
}

/** Makes a group; false where there is one of its name. */
export async function insertGroup(
  db: Db,
  course: CourseId,
  group: { id: string; name: string },
): Promise<boolean> {
  const made = await db('groups')
    .insert({ course_id: course, ...group })
    .onConflict(['course_id', 'name'])
    .ignore()
    .returning('id');
  return made.length > 0;
}

/** Gives a group another name; false where another has it. */
export async function renameGroup(
  db: Db,
  course: CourseId,
  { id, name }: { id: string; name: string },
): Promise<boolean> {
  const changed = await db('groups')
    .where({ course_id: course, id })
    .whereNotExists(db('groups').where({ course_id: course, name }).whereNot({ id }).select(db.raw('1')))
    .update({ name });
  return changed > 0;
}

/** Puts people into a group, or into none. What they wrote stays where it is. */
export const moveToGroup = (db: Db, course: CourseId, people: readonly string[], group: string | null) =>
  db('enrolments')
    .where({ course_id: course, role: 'student' })
    .whereIn('person_id', [...people])
    .update({ group_id: group });

/** Takes a group away to which no post belongs; whoever is in it is in none then. */
export async function deleteGroup(db: Db, course: CourseId, id: string): Promise<boolean> {
  const there = await db('groups')
    .where({ course_id: course, id })
    .whereNotExists(db('posts').where({ course_id: course, group_id: id }).select(db.raw('1')))
    .forUpdate()
    .first('id');
  if (!there) return false;
  await db('enrolments').where({ course_id: course, group_id: id }).update({ group_id: null });
  await db('groups').where({ course_id: course, id }).delete();
  return true;
}

/** Says when a person can work with others in a course. */
export const setTimes = (db: Db, course: CourseId, person: PersonId, times: number) =>
  db('enrolments').where({ course_id: course, person_id: person }).update({ times });

/** When a person said they can work with others in a course. */
export async function timesOf(db: Db, course: CourseId, person: PersonId): Promise<number> {
  const row = await db('enrolments').where({ course_id: course, person_id: person }).first('times');
  return row?.times ?? 0;
}
