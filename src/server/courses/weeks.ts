import type { CourseWeek } from '@/contract/course';
import { balanceOf } from '@/core/counting/summary';
import { paceOf } from '@/core/planning/pace';
import { readingMinutes } from '@/core/reading/minutes';
import { fail, ok, type Result } from '@/core/result';
import { contradictions } from '@/core/syllabus/contradictions';
import { weekOf } from '@/core/week/week';
import { filesOf, readingsOf, syllabusOf, weeksOf } from '@/db/queries/courses';
import { askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import { draftsOf } from '@/db/queries/drafts';
import { ownPosts } from '@/db/queries/own-posts';
import { workHistory } from '@/db/queries/planning';
import { accountOf, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse } from './enter';

/** One week of a course: its overview, readings, files and prompts in order; the current week where none is named. */
export async function courseWeek(
  deps: Deps,
  actor: Actor,
  slug: string,
  asked: number | null,
): Promise<Result<CourseWeek, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const { db, now } = deps;
  const [weeks, files, { syllabus, readings, records, history }] = await Promise.all([
    weeksOf(db, course.id),
    filesOf(db, course.id),
    askTogether(db, {
      syllabus: syllabusOf(db, course.id),
      readings: readingsOf(db, course.id, actor.id),
      records: discussionsOf(db, actor.id, { course: course.id }),
      history: workHistory(db, actor.id),
    }),
  ]);
  const pace = paceOf(history.writing, history.reading);
  const monday = weekOf(now, course.zone)[0]?.date ?? '';
  const current = weeks.findLast((w) => w.startsOn <= monday) ?? weeks[0];
  const wanted = asked ?? current?.number;
  const at = weeks.findIndex((w) => w.number === wanted);
  const week = weeks[at] ?? null;
  // A course that was just made has no week yet; of one that has some, each is there or not.
  if (!week && (weeks.length > 0 || asked !== null)) return fail({ code: 'not-found' });
  const here = records.filter((r) => r.week.number === week?.number);
  const ids = here.map((r) => r.id);
  const { own, drafts } = await askTogether(db, {
    own: ownPosts(db, actor.id, ids),
    drafts: draftsOf(db, actor.id, ids),
  });
  return ok({
    course,
    now,
    weeks: weeks.map((w) => ({
      number: w.number,
      title: w.title,
      startsOn: w.startsOn,
      current: w.number === current?.number,
    })),
    week,
    readings: readings
      .filter((r) => r.week === week?.number)
      .map((r) => ({ ...r, minutes: readingMinutes(r.words, pace.reading.wordsPerMinute) })),
    files: files.filter((f) => f.week === week?.number),
    prompts: here.map((record) => {
      const mine = <T extends { discussion: string }>(rows: T[]) =>
        rows.filter((r) => r.discussion === record.id);
      const account = accountOf(record, actor, mine(own), mine(drafts), now);
      const { state, schedule, ledger, unread } = account;
      const { late, responseDue, repliesDue } = record.timetable;
      return {
        slug: record.slug,
        title: record.title,
        state,
        schedule,
        ledger: ledger && balanceOf(ledger),
        unread,
        contradictions: syllabus
          ? contradictions(syllabus, {
              late,
              responseDue,
              repliesDue,
              replyCount: record.brief.replies.count,
            })
          : [],
      };
    }),
    previous: weeks[at - 1]?.number ?? null,
    next: weeks[at + 1]?.number ?? null,
  });
}
