import type { HowItGoesPage, WeekGoes } from '@/contract/rhythm';
import { groupBy } from '@/core/group';
import { scoreOf } from '@/core/marks/mark';
import { ok, type Result } from '@/core/result';
import { howItGoes } from '@/core/rhythm/how-it-goes';
import { responsesHeard } from '@/core/rhythm/responses';
import { askTogether } from '@/db/ask';
import { studentsEver, studentsPage } from '@/db/queries/class';
import { releasedIn } from '@/db/queries/marks';
import { schemesFor } from '@/db/queries/progress';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from '../desk/enter';
import { accountsOf, isStandingResponse } from '../desk/standings';
import { givenBy } from '../marks/released';
import { fadingOf, owesSomething } from './fading';

/** A course has no more students than this, as far as its rhythm goes. */
const EVERYBODY = { limit: 2_000, offset: 0 };

/** How a course goes, discussion by discussion, and who fades from it: for its staff, in names where something can be done. */
export async function howItGoesPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<HowItGoesPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const students = await studentsPage(deps.db, course.id, EVERYBODY);
  const [{ shown, each, posts }, found] = await Promise.all([
    accountsOf(deps, actor, course, students, 'everybody'),
    askTogether(deps.db, {
      ever: studentsEver(deps.db, course.id),
      released: releasedIn(deps.db, { course: course.id }),
      schemes: schemesFor(deps.db, actor.id),
    }),
  ]);
  const by = groupBy(
    each.flatMap((e) => e.accounts),
    (a) => a.record.id,
  );
  const responses = groupBy(responsesHeard(posts, found.ever), (r) => r.discussion);
  const released = groupBy(found.released, (r) => r.discussion);
  const weeks = shown.flatMap((record): WeekGoes[] => {
    const theirs = by.get(record.id) ?? [];
    const [any] = theirs;
    if (!any) return [];
    const owing = theirs.filter(owesSomething);
    const rubric = found.schemes.get(record.id)?.rubric ?? null;
    return [
      {
        slug: record.slug,
        title: record.title,
        week: record.week.number,
        over: deps.now >= any.schedule.closes,
        ...howItGoes({
          owing: owing.length,
          responded: owing.filter((a) => a.own.some(isStandingResponse)).length,
          complete: owing.filter((a) => a.ledger.complete).length,
          responses: (responses.get(record.id) ?? []).map((r) => ({
            at: r.at,
            firstReply: r.replies[0] ?? null,
            replies: r.replies.length,
          })),
          points: (released.get(record.id) ?? []).flatMap((r) => {
            const { scheme, mark, late } = givenBy(r, { rubric, points: record.classBrief.points });
            return scoreOf(scheme, mark, late).points ?? [];
          }),
        }),
      },
    ];
  });
  return ok({
    course,
    students: students.length,
    weeks: weeks.sort((a, b) => a.week - b.week || a.slug.localeCompare(b.slug)),
    fading: fadingOf(each, deps.now),
  });
}
