import type { Dates } from '@/core/desk/dates';
import { instant, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type DeskFigures = {
  posts: number;
  shown: boolean;
  /** When it shows itself; null where nobody has said. */
  showAt: Instant | null;
  /** Students who ask for more time. */
  asking: number;
  /** In how many things its text says other than its brief. */
  differs: number;
  /** Drafts and notes that somebody has begun in it: how many, and nothing of them. */
  begun: number;
  /** Students whose mark is begun, and those who see theirs. */
  marked: number;
  released: number;
};

/** How many posts each discussion of a course has, gone ones too, whether the class sees it, and what students have begun and ask for in it. */
export async function deskFigures(db: Db, course: CourseId): Promise<Map<DiscussionId, DeskFigures>> {
  const rows = await db('discussions as d')
    .where('d.course_id', course)
    .select(
      'd.id',
      'd.shown',
      'd.show_at',
      'd.text_differs',
      db.raw(
        '(select count(*) from posts p where p.course_id = d.course_id and p.discussion_id = d.id) as posts',
      ),
      db.raw(
        `(select count(*) from time_requests t where t.course_id = d.course_id and t.discussion_id = d.id
          and t.answered_at is null) as asking`,
      ),
      db.raw(
        `(select count(*) from drafts x where x.course_id = d.course_id and x.discussion_id = d.id and not x.blank)
          + (select count(*) from notes_to_self n where n.course_id = d.course_id and n.discussion_id = d.id) as begun`,
      ),
      db.raw(
        '(select count(*) from marking m where m.course_id = d.course_id and m.discussion_id = d.id) as marked',
      ),
      db.raw(
        '(select count(*) from marks m where m.course_id = d.course_id and m.discussion_id = d.id) as released',
      ),
    );
  return new Map(
    rows.map((r) => [
      r.id as DiscussionId,
      {
        posts: Number(r.posts),
        shown: r.shown as boolean,
        showAt: r.show_at === null ? null : instant(r.show_at),
        asking: Number(r.asking),
        differs: r.text_differs as number,
        begun: Number(r.begun),
        marked: Number(r.marked),
        released: Number(r.released),
      },
    ]),
  );
}

/** How many students a course has. */
export async function classSize(db: Db, course: CourseId): Promise<number> {
  const row = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where({ 'e.course_id': course, 'e.role': 'student' })
    .whereNull('p.former_since')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

export type WeekInput = { number: number; title: string; startsOn: string; overview: string };

const weekRow = (course: CourseId, week: WeekInput) => ({
  course_id: course,
  number: week.number,
  title: week.title,
  starts_on: week.startsOn,
  overview: week.overview,
});

/** Adds a week; false where there is one of its number. */
export async function insertWeek(db: Db, course: CourseId, week: WeekInput): Promise<boolean> {
  const made = await db('weeks')
    .insert(weekRow(course, week))
    .onConflict(['course_id', 'number'])
    .ignore()
    .returning('number');
  return made.length > 0;
}

/** Adds weeks in one statement; false, and nothing is added, where one of their numbers is taken. */
export async function insertWeeks(db: Db, course: CourseId, weeks: readonly WeekInput[]): Promise<boolean> {
  const numbers = weeks.map((w) => w.number);
  if (await db('weeks').where({ course_id: course }).whereIn('number', numbers).first('number')) return false;
  await db('weeks').insert(weeks.map((week) => weekRow(course, week)));
  return true;
}

export const updateWeek = (db: Db, course: CourseId, week: WeekInput) =>
  db('weeks')
    .where({ course_id: course, number: week.number })
    .update({ title: week.title, starts_on: week.startsOn, overview: week.overview });

/** Takes a week away in which there is nothing. */
export async function deleteEmptyWeek(db: Db, course: CourseId, number: number): Promise<boolean> {
  const gone = await db('weeks')
    .where({ course_id: course, number })
    .whereNotExists(db('discussions').where({ course_id: course, week: number }).select(db.raw('1')))
    .whereNotExists(db('readings').where({ course_id: course, week: number }).select(db.raw('1')))
    .whereNotExists(db('week_files').where({ course_id: course, week: number }).select(db.raw('1')))
    .delete();
  return gone > 0;
}

export const setDates = (db: Db, course: CourseId, id: DiscussionId, dates: Dates) =>
  db('discussions')
    .where({ course_id: course, id })
    .update({ opens: dates.opens, response_due: dates.responseDue, replies_due: dates.repliesDue });

/** Holds a discussion: what somebody is about to put into it is in it first, or comes after. */
export const holdDiscussion = (db: Db, course: CourseId, slug: string) =>
  db('discussions').where({ course_id: course, slug }).forUpdate().select('id');

/** Shows a discussion or hides it, at once; what was set for later is set no more. */
export const setShown = (db: Db, course: CourseId, id: DiscussionId, shown: boolean) =>
  db('discussions').where({ course_id: course, id }).update({ shown, show_at: null });

/** Says when a discussion that is not shown shows itself; null for not by itself. */
export const setShowAt = (db: Db, course: CourseId, id: DiscussionId, when: Instant | null) =>
  db('discussions')
    .where({ course_id: course, id, shown: false })
    .update({ show_at: when && timestamptz(when) });

/** Shows every discussion whose time for it has come; answers how many. */
export const showDiscussionsDue = (db: Db, now: Instant) =>
  db('discussions')
    .where({ shown: false })
    .where('show_at', '<=', timestamptz(now))
    .update({ shown: true, show_at: null });

/** Notes in how many things a prompt's text says other than its brief. */
export const setTextDiffers = (db: Db, course: CourseId, id: DiscussionId, n: number) =>
  db('discussions').where({ course_id: course, id }).update({ text_differs: n });

export const deleteDiscussion = (db: Db, course: CourseId, id: DiscussionId) =>
  db('discussions').where({ course_id: course, id }).delete();

type Place = { course: CourseId; discussion: DiscussionId };

/** Who has other deadlines in a discussion, or is excused from it, with why. */
export async function leavesOf(db: Db, { course, discussion }: Place) {
  const place = { course_id: course, discussion_id: discussion };
  const [extended, excused] = await Promise.all([
    db('extensions').where(place).select('person_id', 'response_due', 'replies_due', 'reason'),
    db('excusals').where(place).select('person_id', 'reason'),
  ]);
  return {
    extended: extended.map((r) => ({
      person: r.person_id as string,
      responseDue: r.response_due as string | null,
      repliesDue: r.replies_due as string | null,
      reason: r.reason as string,
    })),
    excused: excused.map((r) => ({ person: r.person_id as string, reason: r.reason as string })),
  };
}

/** Gives students other deadlines, in the place of any they had; what is null is everybody's. */
export async function putExtension(
  db: Db,
  { course, discussion }: Place,
  people: readonly PersonId[],
  dates: { responseDue: string | null; repliesDue: string | null; reason: string },
) {
  await db('extensions')
    .insert(
      people.map((person) => ({
        course_id: course,
        discussion_id: discussion,
        person_id: person,
        response_due: dates.responseDue,
        replies_due: dates.repliesDue,
        reason: dates.reason,
      })),
    )
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge(['response_due', 'replies_due', 'reason']);
}

export async function putExcusal(
  db: Db,
  { course, discussion }: Place,
  people: readonly PersonId[],
  reason: string,
) {
  await db('excusals')
    .insert(
      people.map((person) => ({ course_id: course, discussion_id: discussion, person_id: person, reason })),
    )
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge(['reason']);
}

/** Students have everybody's deadlines again, and owe what everybody owes. */
export async function dropLeave(db: Db, { course, discussion }: Place, people: readonly PersonId[]) {
  for (const table of ['extensions', 'excusals'])
    await db(table)
      .where({ course_id: course, discussion_id: discussion })
      .whereIn('person_id', [...people])
      .delete();
}

/** Whether somebody has shared something in a week from this one on. */
export const isSharedFrom = async (db: Db, course: CourseId, from: number): Promise<boolean> =>
  (await db('posts as p')
    .join('discussions as d', 'd.id', 'p.discussion_id')
    .where('d.course_id', course)
    .where('d.week', '>=', from)
    .first('p.id')) !== undefined;

/**
 * Moves the weeks of a course from one on, with all their discussions, by whole weeks; what was given to single students moves along or
 * stays.
 */
export async function moveWeeks(
  db: Db,
  course: CourseId,
  { from, weeks, extensions }: { from: number; weeks: number; extensions: 'along' | 'stay' },
): Promise<number> {
  const by = `${7 * weeks} days`;
  const moved = await db('weeks')
    .where({ course_id: course })
    .where('number', '>=', from)
    .update({ starts_on: db.raw('starts_on + ?::interval', [by]) });
  await db('discussions')
    .where({ course_id: course })
    .where('week', '>=', from)
    .update({
      opens: db.raw('opens + ?::interval', [by]),
      response_due: db.raw('response_due + ?::interval', [by]),
      replies_due: db.raw('replies_due + ?::interval', [by]),
    });
  if (extensions === 'stay') return moved;
  await db.raw(
    `update extensions x set response_due = x.response_due + ?::interval, replies_due = x.replies_due + ?::interval
     from discussions d where d.course_id = x.course_id and d.id = x.discussion_id and d.course_id = ? and d.week >= ?`,
    [by, by, course, from],
  );
  return moved;
}
