import type { ProgressCell, ProgressCourse, ProgressPage } from '@/contract/progress';
import { askedChecks } from '@/core/brief/asked-checks';
import { balanceOf } from '@/core/counting/summary';
import type { Ledger } from '@/core/counting/types';
import { groupBy } from '@/core/group';
import type { DiscussionId } from '@/core/ids';
import { costMost, lossesOf, type Loss } from '@/core/marks/losses';
import { schemeOf, scoreOf, type Scheme } from '@/core/marks/mark';
import { standingOf, weightOfDiscussions } from '@/core/marks/progress';
import { courseRhythm } from '@/core/rhythm/class-rhythm';
import { pointsOf, type Levels } from '@/core/rubric/rubric';
import { askTogether } from '@/db/ask';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { draftsOf, type BegunRecord } from '@/db/queries/drafts';
import { releasedTo, type ReleasedRecord } from '@/db/queries/marks';
import { estimatesOf, schemesFor, syllabiFor, type MarkedBy } from '@/db/queries/progress';
import { effortOf, type Effort } from '@/db/queries/reach';
import { rhythmsFor } from '@/db/queries/rhythms';
import { ownPosts, type OwnPostRecord } from '@/db/queries/own-posts';
import { accountOf } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { givenBy } from '../marks/released';

const HOUR_MS = 3_600_000;
const hours = (ms: number) => Math.round((ms / HOUR_MS) * 10) / 10;

/** What can still be had in a discussion without a mark: all of it, unless it is over and nothing of it was met. */
function toWin(scheme: Scheme, ledger: Ledger, isOver: boolean): number {
  if (scheme.by !== 'rubric' && scheme.by !== 'points') return 0;
  const owed = ledger.obligations.filter((o) => o.state !== 'excused');
  if (owed.length === 0) return 0;
  return isOver && owed.every((o) => o.post === null) ? 0 : scheme.of;
}

/** How long before its deadline the response, and the last reply that counts, were shared. */
function margins({ obligations }: Ledger): Pick<ProgressCell, 'responseHours' | 'replyHours'> {
  const left = (kind: 'response' | 'reply') =>
    obligations.flatMap((o) => (o.kind === kind && o.at !== null ? [o.deadline.due - o.at] : []));
  const [response] = left('response');
  const replies = left('reply');
  return {
    responseHours: response === undefined ? null : hours(response),
    replyHours: replies.length ? hours(Math.min(...replies)) : null,
  };
}

type Found = {
  own: Map<DiscussionId, OwnPostRecord[]>;
  drafts: Map<DiscussionId, BegunRecord[]>;
  released: Map<DiscussionId, ReleasedRecord>;
  schemes: Map<DiscussionId, MarkedBy>;
  estimates: Map<DiscussionId, Levels>;
  effort: Map<DiscussionId, Effort>;
};

function cellOf(
  deps: Deps,
  actor: Actor,
  record: DiscussionRecord,
  { own, drafts, released, schemes, estimates, effort }: Found,
): { cell: ProgressCell; losses: Loss[] | null } | null {
  const account = accountOf(record, actor, own.get(record.id) ?? [], drafts.get(record.id) ?? [], deps.now);
  if (!account.ledger) return null;
  const { rubric, way } = schemes.get(record.id) ?? { rubric: null, way: null };
  const { points } = record.classBrief;
  const out = released.get(record.id);
  const given = out ? givenBy(out, { rubric, points }) : null;
  const scheme = given?.scheme ?? schemeOf({ way, rubric, points });
  const score = given && scoreOf(given.scheme, given.mark, given.late);
  const thought = estimates.get(record.id);
  const said = thought && scheme.by === 'rubric' ? pointsOf(scheme.rubric, thought) : null;
  return {
    cell: {
      slug: record.slug,
      title: record.title,
      week: record.week.number,
      state: account.state,
      schedule: account.schedule,
      balance: balanceOf(account.ledger),
      mark:
        out && given && score
          ? {
              points: score.points,
              of: score.of,
              verdict: given.scheme.by === 'verdict' ? given.mark.verdict : null,
              taken: score.taken,
              isNew: !out.seen,
              changed: out.was !== null,
            }
          : null,
      estimate: said && said.open === 0 ? said.points : null,
      toWin: out ? 0 : toWin(scheme, account.ledger, deps.now >= account.schedule.closes),
      words: effort.get(record.id)?.words ?? 0,
      minutes: Math.round((effort.get(record.id)?.seconds ?? 0) / 60),
      ...margins(account.ledger),
    },
    losses: given
      ? lossesOf(given.scheme, given.mark, given.late, account.ledger, askedChecks(record.brief))
      : null,
  };
}

/**
 * Every course somebody takes, week by week, by the marks that were released to them: how they stand, what cost most, what can still be
 * won. Nothing that is written and not released is read.
 */
export async function progressPage(deps: Deps, actor: Actor): Promise<ProgressPage> {
  const { db, now } = deps;
  const found = await askTogether(db, {
    records: discussionsOf(db, actor.id),
    own: ownPosts(db, actor.id),
    drafts: draftsOf(db, actor.id),
    released: releasedTo(db, actor.id),
    schemes: schemesFor(db, actor.id),
    estimates: estimatesOf(db, actor.id),
    syllabi: syllabiFor(db, actor.id),
    effort: effortOf(db, actor.id),
    rhythms: rhythmsFor(db, actor.id),
  });
  const kept: Found = {
    own: groupBy(found.own, (p) => p.discussion),
    drafts: groupBy(found.drafts, (d) => d.discussion),
    released: new Map(found.released.map((r) => [r.discussion, r])),
    schemes: found.schemes,
    estimates: found.estimates,
    effort: found.effort,
  };
  const taken = found.records.filter((r) => r.role === 'student' && !r.course.outside);
  const courses = [...groupBy(taken, (r) => r.course.id)].flatMap(([id, records]): ProgressCourse[] => {
    const [first] = records;
    if (!first) return [];
    const cells = records.flatMap((r) => cellOf(deps, actor, r, kept) ?? []);
    const syllabus = found.syllabi.get(id) ?? null;
    const standing = standingOf(
      cells.map(({ cell: { slug, mark, toWin: win } }) => ({
        slug,
        mark: mark && mark.points !== null && mark.of !== null ? { points: mark.points, of: mark.of } : null,
        toWin: win,
      })),
      syllabus?.scale ?? null,
    );
    return [
      {
        code: first.course.code,
        slug: first.course.slug,
        title: first.course.title,
        cells: cells.map((c) => c.cell).sort((a, b) => a.week - b.week || a.slug.localeCompare(b.slug)),
        standing,
        scale: syllabus?.scale ?? null,
        weight: syllabus && weightOfDiscussions(syllabus),
        rhythm: courseRhythm(found.rhythms.filter((r) => r.course === id).map((r) => r.rhythm)),
        cost: costMost(cells.flatMap((c) => (c.losses ? [c.losses] : []))),
      },
    ];
  });
  const [most] = courses
    .flatMap(({ code, cost }) => (cost ? [{ code, cost }] : []))
    .sort((a, b) => b.cost.points - a.cost.points);
  return {
    now,
    fresh: courses.reduce((n, c) => n + c.cells.filter((cell) => cell.mark?.isNew).length, 0),
    courses: courses.sort((a, b) => a.code.localeCompare(b.code)),
    most: most ?? null,
  };
}
