import { z } from 'zod';
import type { DatesPage, DeskPage, Leave } from '@/contract/desk';
import { askedBy } from '@/core/brief/part-played';
import { checkedDates, type DateField, type DateProblem } from '@/core/desk/dates';
import { isTime } from '@/core/deadlines/typed';
import { instantOf } from '@/core/deadlines/wallclock';
import type { DiscussionId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { peopleOf } from '@/db/queries/courses';
import { deleteDiscussion, holdDiscussion, leavesOf, setDates, setShowAt, setShown } from '@/db/queries/desk';
import { enterDiscussion, type NotFound } from '../access/enter';
import { visibleOutlines } from '../access/visible-posts';
import { studentsAmong } from '@/db/queries/class';
import { partsPlayedIn } from '@/db/queries/parts-played';
import { openTimeRequests } from '@/db/queries/time-requests';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { keepAndTell } from '../notices/happened';
import { isWithoutReply } from '../discussions/lines';
import { loadedFrom, stands } from '../discussions/loaded-conversation';
import { unlessWorse, type WouldBeWorse } from './asked-first';
import { consequencesOf } from './consequences';
import { noteDifferences } from './differences';
import { discussionOnDesk, enterDesk } from './enter';
import { everybodys, giveTime, timeActs, type TimeFailure } from './give-time';
import { sure, when } from './fields';
import { handedIn } from './handed';
import { onSheet } from './term';

const studentsOf = async (db: Db, course: EnteredCourse) =>
  (await peopleOf(db, course.id)).filter((p) => p.role === 'student');

async function leaves(
  db: Db,
  course: EnteredCourse,
  discussion: DiscussionId,
  students: readonly { id: string; name: string }[],
): Promise<Leave[]> {
  const { extended, excused } = await leavesOf(db, { course: course.id, discussion });
  return students.flatMap(({ id, name }): Leave[] => {
    const more = extended.find((x) => x.person === id);
    const free = excused.find((x) => x.person === id);
    if (!more && !free) return [];
    return [
      {
        person: id,
        name,
        excused: free !== undefined,
        responseDue: more?.responseDue ?? null,
        repliesDue: more?.repliesDue ?? null,
        reason: free?.reason ?? more?.reason ?? '',
      },
    ];
  });
}

/** One discussion on the desk. */
export async function deskPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
): Promise<Result<DeskPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const found = await discussionOnDesk(deps.db, actor, course, name);
  if (!found.ok) return found;
  const { record } = found.value;
  const entered = await enterDiscussion(deps, actor, name);
  if (!entered.ok) return entered;
  const [students, { posts }] = await Promise.all([
    studentsOf(deps.db, course),
    visibleOutlines(deps.db, actor, entered.value),
  ]);
  const others = await leaves(deps.db, course, record.id, students);
  const loaded = loadedFrom(actor.id, entered.value, posts, new Map(), new Map());
  const spoken = new Set<string>(
    posts.filter((p) => p.kind === 'response' && stands(p)).map((p) => p.author.id),
  );
  const free = new Set(others.filter((l) => l.excused).map((l) => l.person));
  const { opens, responseDue, repliesDue } = record.timetable;
  return ok({
    course,
    discussion: { ...onSheet(record, deps.now, found.value), week: record.week.number },
    dates: { opens, responseDue, repliesDue },
    students: students.map(({ id, name: called }) => ({ id, name: called })),
    silent: (askedBy(record.brief).response ? students : [])
      .filter((s) => !spoken.has(s.id) && !free.has(s.id))
      .map(({ id, name: called }) => ({ id, name: called })),
    unanswered: loaded.trees.filter((t) => stands(t.post) && isWithoutReply(loaded, t)).length,
    leaves: others,
    requests: await openTimeRequests(deps.db, { course: course.id, discussion: record.id }),
    handed: await handedIn(deps.db, course, record.id),
    sides: record.brief.sides ?? null,
    leads: record.brief.leader !== undefined,
    grouped: record.brief.grouped ?? false,
    played: (await partsPlayedIn(deps.db, course.id, { discussion: record.id })).map(
      ({ person, side, leads: lead }) => ({ person, side, leads: lead }),
    ),
  });
}

export const deskActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.enum(['show', 'hide', 'remove']) }),
  z.object({ act: z.literal('show-at'), at: when }),
  z.object({
    act: z.literal('dates'),
    opens: when,
    responseDue: when,
    repliesDue: when,
    sure,
  }),
  ...timeActs,
]);
export type DeskAct = z.output<typeof deskActSchema>;
export type DeskFailure =
  | NotFound
  | { code: 'has-posts' }
  | { code: 'has-drafts' }
  | { code: 'no-student' }
  | { code: 'no-time' }
  | TimeFailure
  | WouldBeWorse;

/** What staff do about a discussion: its dates, whether it is shown, and single students' time. What was shared is never taken away. */
export async function actOnDesk(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  act: DeskAct,
): Promise<Result<null, DeskFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    // What goes out of sight is held before it is looked at: nobody's words come into it in between.
    if (act.act === 'hide' || act.act === 'remove' || act.act === 'dates')
      await holdDiscussion(tx, course.id, name);
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const { record, posts, begun } = found.value;
    const place = { course: course.id, discussion: record.id };
    const chosen = 'people' in act ? await studentsAmong(tx, course.id, act.people) : [];
    if ('people' in act && chosen.length < new Set(act.people).size)
      return fail({ code: 'no-student' as const });
    switch (act.act) {
      case 'show':
        await setShown(tx, course.id, record.id, true);
        return ok(null);
      case 'show-at': {
        if (act.at && !isTime(act.at)) return fail({ code: 'no-time' as const });
        const at = act.at ? instantOf(act.at, course.zone) : null;
        // A time that has passed is now.
        if (at !== null && at <= deps.now) await setShown(tx, course.id, record.id, true);
        else await setShowAt(tx, course.id, record.id, at);
        return ok(null);
      }
      case 'hide':
      case 'remove':
        // A prompt that somebody has answered stays where it is.
        if (posts > 0) return fail({ code: 'has-posts' as const });
        // And what somebody has begun to write is never taken from them.
        if (begun > 0) return fail({ code: 'has-drafts' as const });
        if (act.act === 'hide') await setShown(tx, course.id, record.id, false);
        else await deleteDiscussion(tx, course.id, record.id);
        return ok(null);
      case 'dates': {
        const dates = checkedDates(act);
        if (!dates.ok) return dates;
        const after = { ...record, timetable: { ...record.timetable, ...dates.value } };
        const { touched, stamp } = await consequencesOf(deps, tx, actor, course, { before: record, after });
        if (touched.length > 0 && act.sure !== stamp)
          return fail({ code: 'touches' as const, touched, stamp });
        await keepAndTell(tx, place, actor.id, deps.now, 'dates');
        await setDates(tx, course.id, record.id, dates.value);
        await noteDifferences(deps, tx, actor, course.id, name);
        return ok(null);
      }
      case 'refuse':
        return giveTime(deps.now, tx, actor, found.value, place, chosen, act);
      case 'extend':
      case 'excuse':
      case 'usual':
        return unlessWorse(deps, tx, course, [record], act.sure, (inner) =>
          giveTime(deps.now, inner, actor, found.value, place, chosen, act),
        );
    }
  });
}

/** What other dates would do to what students have shared: asked again, with for whom, before they are kept. */
export async function datesPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  asked: Record<DateField, string>,
): Promise<Result<DatesPage, NotFound | { code: 'dates'; problems: DateProblem[] }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const dates = checkedDates(asked);
  if (!dates.ok) return dates;
  const { record } = found.value;
  const after = { ...record, timetable: { ...record.timetable, ...dates.value } };
  const { touched, stamp } = await consequencesOf(deps, deps.db, actor, door.value, {
    before: record,
    after,
  });
  return ok({
    course: door.value,
    discussion: { slug: name, title: record.title },
    was: everybodys(found.value),
    dates: dates.value,
    touched,
    stamp,
  });
}
