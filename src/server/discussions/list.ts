import type { DiscussionLine, DiscussionList, ListAsk } from '@/contract/discussion-list';
import { balanceOf, summarise } from '@/core/counting/summary';
import { DISCUSSION_STATES, type DiscussionState } from '@/core/deadlines/state';
import { isStaff, type DiscussionId, type Instant } from '@/core/ids';
import { groupBy } from '@/core/group';
import { isFollowed } from '@/core/posts/following';
import { needsMe } from '@/core/week/needs';
import { weekOf } from '@/core/week/week';
import { windowAround } from '@/core/week/window';
import { enrolledIn } from '@/db/queries/courses';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { askTogether } from '@/db/ask';
import { draftsOf, type BegunRecord } from '@/db/queries/drafts';
import { followedDiscussions } from '@/db/queries/follows';
import { ownPosts, type OwnPostRecord } from '@/db/queries/own-posts';
import { unreadReplies } from '@/db/queries/reading';
import { accountOf } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** Whole weeks are shown until a page would hold more lines than this. */
const PAGE_LINES = 40;

function linesOf(
  deps: Deps,
  actor: Actor,
  found: {
    records: DiscussionRecord[];
    own: OwnPostRecord[];
    drafts: BegunRecord[];
    replies: Map<DiscussionId, number>;
    follows: Map<DiscussionId, boolean>;
  },
): (DiscussionLine & { startsOn: string })[] {
  const own = groupBy(found.own, (p) => p.discussion);
  const drafts = groupBy(found.drafts, (d) => d.discussion);
  return found.records.map((record) => {
    const begun = drafts.get(record.id) ?? [];
    const account = accountOf(record, actor, own.get(record.id) ?? [], begun, deps.now);
    const { state, schedule, ledger, sealed, unread, responded } = account;
    const answered = found.replies.get(record.id) ?? 0;
    const summary = ledger && summarise(ledger, deps.now);
    return {
      slug: record.slug,
      title: record.title,
      course: {
        code: record.course.code,
        slug: record.course.slug,
        outside: record.course.outside,
      },
      week: record.week.number,
      startsOn: record.week.startsOn,
      state,
      schedule,
      ledger: ledger && balanceOf(ledger),
      sealed,
      draftChecks: begun.find((d) => d.kind === 'response')?.checks ?? null,
      replyDrafts: begun.filter((d) => d.kind === 'reply').length,
      unread,
      unreadReplies: answered,
      needsMe: needsMe({ state, summary, unreadReplies: answered }),
      newFollowed: unread > 0 && !sealed && isFollowed(found.follows.get(record.id) ?? null, responded),
    };
  });
}

/** What is due next stands first in a week; where nothing is, the last deadline orders. */
function nextDue(line: DiscussionLine, now: Instant): number {
  const next = line.ledger && summarise(line.ledger, now).next;
  return next ? next.deadline.due : line.schedule.closes;
}

/** Discussions of every course by week, as the address asks for them: one trip to the database, and a page of whole weeks. */
export async function listDiscussions(deps: Deps, actor: Actor, ask: ListAsk): Promise<DiscussionList> {
  const { db, now } = deps;
  const found = await askTogether(db, {
    records: discussionsOf(db, actor.id),
    own: ownPosts(db, actor.id),
    drafts: draftsOf(db, actor.id),
    replies: unreadReplies(db, actor.id),
    follows: followedDiscussions(db, actor.id),
    enrolled: enrolledIn(db, actor.id),
  });
  const { records } = found;
  const lines = linesOf(deps, actor, found);
  const ofCourse = lines.filter((l) => !ask.course || l.course.slug === ask.course);
  const inState = (l: DiscussionLine) => !ask.state || l.state === ask.state;
  const needed = (l: DiscussionLine) => !ask.needs || (ask.needs === 'me' ? l.needsMe : l.newFollowed);
  const asked = ofCourse.filter((l) => inState(l) && needed(l));

  const monday = weekOf(now, actor.timeZone)[0]?.date ?? '';
  const groups = [...groupBy(asked, (l) => l.startsOn)].sort(([a], [b]) => a.localeCompare(b));
  const anchor = ask.week ?? monday;
  const past = groups.findLastIndex(([date]) => date <= anchor);
  const shown = windowAround(
    groups.map(([, g]) => g.length),
    Math.max(0, past),
    PAGE_LINES,
  );
  const courses = new Map(records.map((r) => [r.course.slug, r.course]));
  return {
    now,
    zone: actor.timeZone,
    ask,
    courses: [...courses.values()]
      .sort((a, b) => a.code.localeCompare(b.code))
      .map(({ code, slug, title }) => ({ code, slug, title })),
    enrolled: found.enrolled.map(({ code, slug, title, term, role }) => ({
      code,
      slug,
      title,
      term,
      staff: isStaff(role),
    })),
    counts: {
      all: ofCourse.filter(needed).length,
      needsMe: ofCourse.filter((l) => inState(l) && l.needsMe).length,
      newFollowed: ofCourse.filter((l) => inState(l) && l.newFollowed).length,
      states: Object.fromEntries(
        DISCUSSION_STATES.map((state) => [
          state,
          ofCourse.filter((l) => needed(l) && l.state === state).length,
        ]),
      ) as Record<DiscussionState, number>,
    },
    weeks: groups.slice(shown.from, shown.to + 1).map(([startsOn, group]) => ({
      startsOn,
      when: startsOn < monday ? 'past' : startsOn === monday ? 'now' : 'coming',
      lines: group.sort((a, b) => nextDue(a, now) - nextDue(b, now) || a.slug.localeCompare(b.slug)),
    })),
    earlier: groups[shown.from - 1]?.[0] ?? null,
    later: groups[shown.to + 1]?.[0] ?? null,
  };
}
