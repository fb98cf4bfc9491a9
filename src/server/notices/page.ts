import type { HeardDiscussion, Meaning, NoticesPage } from '@/contract/notices';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { instant, isStaff, type Instant } from '@/core/ids';
import { forecast, type Past } from '@/core/notices/forecast';
import { onceADay, type NoticeRules } from '@/core/notices/rules';
import { isFollowed } from '@/core/posts/following';
import { askTogether } from '@/db/ask';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { chosenWays, ownRules, ownThreads, type ChosenWay, type OwnThread } from '@/db/queries/notice-rules';
import { noticesOf, seeNotices, type NoticeRecord } from '@/db/queries/notices';
import { ownPosts } from '@/db/queries/own-posts';
import { devicesOf } from '@/db/queries/push';
import type { Actor, Deps } from '../deps';
import { linesOf, toldOf } from './lines';

const DAY_MS = 86_400_000;
/** How far back the page goes, and what the forecast is worked out from. */
const WEEKS = 4;
const MOST = 200;

const pastOf = (notices: readonly NoticeRecord[], chosen: readonly ChosenWay[]): Past[] =>
  notices.map((n) => ({
    kind: n.kind,
    at: n.at,
    chosen: [chosen.find((c) => c.thread === null && c.discussion === n.discussion?.id)?.way ?? null],
  }));

/** What rules mean for somebody, worked out from their last four weeks. */
function meaningOf(
  notices: readonly NoticeRecord[],
  chosen: readonly ChosenWay[],
  rules: NoticeRules,
  actor: Actor,
): Meaning {
  const past = pastOf(notices, chosen);
  const by = (r: NoticeRules) => forecast(past, WEEKS, r, actor.timeZone);
  return { now: by(rules), fewer: by(onceADay(rules)) };
}

const since = (now: Instant) => instant(now - WEEKS * 7 * DAY_MS);

function heardOf(
  records: readonly DiscussionRecord[],
  responded: ReadonlySet<string>,
  chosen: readonly ChosenWay[],
  threads: readonly OwnThread[],
  now: Instant,
): HeardDiscussion[] {
  return records.flatMap((r) => {
    const own = chosen.find((c) => c.thread === null && c.discussion === r.id);
    const schedule = resolveSchedule(r.timetable);
    const open = now >= schedule.opens && now < schedule.closes;
    if (r.course.outside || (!open && !own)) return [];
    return [
      {
        slug: r.slug,
        title: r.title,
        course: r.course.code,
        week: r.week.number,
        follows: isFollowed(own?.follows ?? null, responded.has(r.id)),
        way: own?.way ?? null,
        open,
        threads: threads
          .filter((t) => t.discussion === r.id)
          .map(({ thread, by, wrote }) => {
            const of = chosen.find((c) => c.thread === thread);
            const followed = wrote || isFollowed(own?.follows ?? null, responded.has(r.id));
            return { id: thread, by, follows: of?.follows ?? followed, way: of?.way ?? null };
          }),
      },
    ];
  });
}

/** What concerns somebody, and how it reaches them. */
export async function noticesPage(
  deps: Deps,
  actor: Actor,
  push: { key: string | null },
): Promise<NoticesPage> {
  const { db, now } = deps;
  const found = await askTogether(db, {
    notices: noticesOf(db, actor.id, since(now), MOST),
    rules: ownRules(db, actor.id),
    chosen: chosenWays(db, actor.id),
    records: discussionsOf(db, actor.id, { around: now }),
    own: ownPosts(db, actor.id),
    threads: ownThreads(db, actor.id),
    devices: devicesOf(db, actor.id),
  });
  const told = await toldOf(deps, actor, found.notices);
  const responded = new Set<string>(found.own.filter((p) => p.kind === 'response').map((p) => p.discussion));
  const { rules, address, off } = found.rules;
  return {
    now,
    zone: actor.timeZone,
    lines: linesOf(found.notices, told),
    rules,
    staff: found.records.some((r) => isStaff(r.role)),
    meaning: meaningOf(found.notices, found.chosen, rules, actor),
    address,
    off,
    heard: heardOf(found.records, responded, found.chosen, found.threads, now),
    pushKey: push.key,
    devices: found.devices.map((d) => d.endpoint),
  };
}

/** What rules mean for somebody, before or after they are kept. */
export async function meaningFor(deps: Deps, actor: Actor, rules: NoticeRules): Promise<Meaning> {
  const { db, now } = deps;
  const { notices, chosen } = await askTogether(db, {
    notices: noticesOf(db, actor.id, since(now), MOST),
    chosen: chosenWays(db, actor.id),
  });
  return meaningOf(notices, chosen, rules, actor);
}

/** Everything is seen. */
export const seeAll = (deps: Deps, actor: Actor) => seeNotices(deps.db, actor.id, 'all', deps.now);
