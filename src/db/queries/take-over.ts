import type { Knex } from 'knex';
import type { CourseId, DiscussionId, PersonId } from '@/core/ids';
import type { Db } from '../connection';

/** What is carried from one course into another: nobody's words but those of its staff. */
export type TakenOver = { weeks: number; discussions: number; readings: number };

type Way = {
  from: CourseId;
  to: CourseId;
  days: number;
  by: PersonId;
  /** Only one week, or one discussion of it, into this week of the other. */
  only?: { week: number; discussion: DiscussionId | null; into: number };
};
/** New names: in addresses, free of others, and of rows. */
type Naming = { slug: (wanted: string) => Promise<string>; id: () => string };

/** What of a table goes along: everything of the course, or of one week. */
const going =
  ({ only }: Way) =>
  (q: Knex.QueryBuilder) =>
    only ? q.where({ week: only.week }) : q;
const goingDiscussions =
  ({ only }: Way) =>
  (q: Knex.QueryBuilder) => {
    if (only) q.where({ week: only.week });
    if (only?.discussion) q.where({ id: only.discussion });
  };
const weekIn = ({ only }: Way, week: number) => only?.into ?? week;

/** The weeks, so many days later. */
async function takeWeeks(tx: Db, way: Way): Promise<number> {
  const { rowCount } = await tx.raw(
    `insert into weeks (course_id, number, title, starts_on, overview)
     select :to, number, title, starts_on + :days::int, overview from weeks where course_id = :from`,
    way,
  );
  return rowCount;
}

/** Files that readings and prompts carry are the new course's as well, each under a name of its own: the content is one. */
async function takeFiles(tx: Db, way: Way, naming: Naming): Promise<Map<string, string>> {
  const { from, to, by, only } = way;
  const carried: string[][] = [
    ...(only?.discussion
      ? []
      : await tx('readings').where({ course_id: from }).modify(going(way)).pluck('files')),
    ...(await tx('discussions').where({ course_id: from }).modify(goingDiscussions(way)).pluck('files')),
    ...(only ? [] : await tx('courses').where({ id: from }).pluck('beginning_files')),
  ];
  const ids: string[] = await tx('files')
    .where({ course_id: from })
    .whereIn('id', [...new Set(carried.flat())])
    .whereNotNull('sha256')
    .pluck('id');
  const names = new Map(ids.map((id) => [id, naming.id()]));
  for (const [old, id] of names) {
    await tx.raw(
      `insert into files (id, course_id, owner_id, name, began_at, expected, received, sha256, media_type, bytes, width, height)
       select :id, :to, :by, name, began_at, expected, received, sha256, media_type, bytes, width, height from files where id = :old`,
      { id, to, by, old },
    );
    await tx.raw(
      `insert into clips (file_id, video, title, captions, trim_from, trim_to, state, ms, poster_sha256, changed_at)
       select :id, video, title, captions, trim_from, trim_to, state, ms, poster_sha256, changed_at from clips where file_id = :old`,
      { id, old },
    );
  }
  return names;
}

/** A document that names other files: its text as it was, each file's id replaced. */
const renamed = (doc: unknown, names: ReadonlyMap<string, string>): string | null => {
  if (doc === null || doc === undefined) return null;
  let text = JSON.stringify(doc);
  for (const [old, id] of names) text = text.replaceAll(old, id);
  return text;
};
const renamedAll = (ids: readonly string[], names: ReadonlyMap<string, string>) =>
  ids.flatMap((id) => names.get(id) ?? []);

async function takeReadings(tx: Db, way: Way, names: ReadonlyMap<string, string>, naming: Naming) {
  const { from, to } = way;
  const rows = await tx('readings')
    .where({ course_id: from })
    .modify(going(way))
    .orderBy(['week', 'position']);
  for (const row of rows) {
    await tx('readings').insert({
      course_id: to,
      id: naming.id(),
      slug: await naming.slug(row.slug),
      week: weekIn(way, row.week),
      position: row.position,
      title: row.title,
      author: row.author,
      words: row.words,
      doc: renamed(row.doc, names),
      plain: row.plain,
      place: row.place,
      files: renamedAll(row.files, names),
    });
  }
  return rows.length;
}

async function takeDiscussions(tx: Db, way: Way, names: ReadonlyMap<string, string>, naming: Naming) {
  const rows = await tx('discussions')
    .where({ course_id: way.from })
    .modify(goingDiscussions(way))
    .orderBy(['week', 'slug']);
  for (const row of rows) {
    const id = naming.id();
    await tx('discussions').insert({
      course_id: way.to,
      id,
      slug: await naming.slug(row.slug),
      week: weekIn(way, row.week),
      title: row.title,
      prompt: renamed(row.prompt, names),
      brief: JSON.stringify(row.brief),
      late: JSON.stringify(row.late),
      grace_minutes: row.grace_minutes,
      opens: tx.raw(`?::timestamp + make_interval(days => ?)`, [row.opens, way.days]),
      response_due: tx.raw(`?::timestamp + make_interval(days => ?)`, [row.response_due, way.days]),
      replies_due: tx.raw(`?::timestamp + make_interval(days => ?)`, [row.replies_due, way.days]),
      prompt_plain: row.prompt_plain,
      rubric: row.rubric === null ? null : JSON.stringify(row.rubric),
      marked_by: row.marked_by,
      viewings: renamed(row.viewings, names),
      files: renamedAll(row.files, names),
      shown: false,
    });
  }
  return rows.length;
}

/**
 * Carries what a course asks and reads into another that is empty, so many days later: weeks, readings, prompts with their briefs and
 * rubrics, files, the first page and the syllabus. Nothing of anybody in the class comes along, and no discussion is shown.
 */
export async function takeOver(tx: Db, way: Way, naming: Naming): Promise<TakenOver> {
  const weeks = await takeWeeks(tx, way);
  const names = await takeFiles(tx, way, naming);
  const readings = await takeReadings(tx, way, names, naming);
  const discussions = await takeDiscussions(tx, way, names, naming);
  await tx.raw(
    `insert into week_files (course_id, id, week, position, name, title, media_type, content)
     select :to, gen_random_uuid(), week, position, name, title, media_type, content from week_files where course_id = :from`,
    way,
  );
  await tx.raw(
    `insert into syllabi (course_id, syllabus, changed_at, to_sign) select :to, syllabus, changed_at, to_sign from syllabi where course_id = :from
     on conflict do nothing`,
    way,
  );
  await tx.raw(
    `update courses set habits = o.habits from courses o where courses.id = :to and o.id = :from and courses.habits is null`,
    way,
  );
  const said = await tx('courses').where({ id: way.from }).first('beginning', 'beginning_files');
  await tx('courses')
    .where({ id: way.to })
    .whereNull('beginning')
    .update({
      beginning: renamed(said?.beginning, names),
      beginning_files: renamedAll(said?.beginning_files ?? [], names),
    });
  return { weeks, readings, discussions };
}

/**
 * Carries one week of a course into a week of another that has no readings and files yet, or one of its discussions: as many days later
 * as the two weeks lie apart.
 */
export async function takePiece(
  tx: Db,
  way: Way & { only: NonNullable<Way['only']> },
  naming: Naming,
): Promise<Omit<TakenOver, 'weeks'>> {
  const { only, from, to } = way;
  const names = await takeFiles(tx, way, naming);
  const readings = only.discussion ? 0 : await takeReadings(tx, way, names, naming);
  const discussions = await takeDiscussions(tx, way, names, naming);
  if (!only.discussion)
    await tx.raw(
      `insert into week_files (course_id, id, week, position, name, title, media_type, content)
       select :to, gen_random_uuid(), :into, position, name, title, media_type, content
       from week_files where course_id = :from and week = :week`,
      { to, from, into: only.into, week: only.week },
    );
  return { readings, discussions };
}

/** Whether a name in addresses is taken, by a discussion or a reading. */
export const isNameTaken = async (db: Db, slug: string): Promise<boolean> =>
  ((await db('discussions').where({ slug }).first('id')) ??
    (await db('readings').where({ slug }).first('id'))) !== undefined;
