import type { DiscussionHead } from '@/contract/discussion';
import { randomUUID } from 'node:crypto';
import type { ModerationFailure, ModerationInput } from '@/contract/conversation';
import { postId, type Instant, type PostId } from '@/core/ids';
import { actsOn, wantsReason } from '@/core/posts/moderation';
import { fail, ok, type Result } from '@/core/result';
import {
  moderationLog,
  logModeration,
  openReports,
  putReport,
  setHidden,
  setLocked,
  setPinned,
  settleReports,
  type ModerationEntry,
} from '@/db/queries/moderation';
import { enterRoom, type NotFound } from '../access/enter';
import { visibleOutlines, visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { tellStaff } from '../notices/happened';
import { headOf } from '../discussions/head';
import { openingOf } from '../discussions/loaded-conversation';

/**
 * Does something about a post: a reader reports it, staff pin, lock, hide or show it, or settle what was reported. Each act
 * is logged in the same transaction. Hiding settles the reports of the post; a reason is asked for where somebody must
 * be able to ask why.
 */
export async function moderate(
  deps: Deps,
  actor: Actor,
  slug: string,
  post: number,
  { act, reason }: ModerationInput,
): Promise<Result<{ act: ModerationInput['act'] }, ModerationFailure>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterRoom(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { record, staff } = door.value;
    const [found] = await visiblePosts(tx, actor, door.value, [postId(post)]);
    if (!found) return fail({ code: 'not-found' as const });
    const allowed = actsOn(
      { ...found, private: found.privateTo !== null, mine: found.author.id === actor.id },
      staff,
    );
    if (act === 'settle' ? !staff : !allowed.includes(act)) return fail({ code: 'not-yours-to-do' as const });
    const why = reason.trim();
    if (wantsReason(act) && why === '') return fail({ code: 'no-reason' as const });

    const place = { course: record.course.id, discussion: record.id };
    const { id } = found;
    if (act === 'report') {
      const report = randomUUID();
      await putReport(tx, place, { id: report, post: id, person: actor.id, reason: why, now: deps.now });
      await tellStaff(tx, deps.now, place, { kind: 'report', by: actor.id, post: id, id: report });
    } else if (act === 'hide' || act === 'show')
      await setHidden(tx, id, act === 'hide' ? deps.now : null, why);
    else if (act === 'pin' || act === 'unpin') await setPinned(tx, id, act === 'pin' ? deps.now : null);
    else if (act === 'lock' || act === 'unlock') await setLocked(tx, id, act === 'lock' ? deps.now : null);
    if (act === 'hide' || act === 'settle') await settleReports(tx, id, deps.now);
    await logModeration(tx, place, { post: id, person: actor.id, act, reason: why, now: deps.now });
    return ok({ act });
  });
}

export type ReportedPost = {
  id: PostId;
  author: string;
  opening: string;
  hidden: boolean;
  reports: { by: string; reason: string; at: Instant }[];
};

export type ModerationPage = {
  head: DiscussionHead;
  reported: ReportedPost[];
  log: (ModerationEntry & { author: string })[];
};

const MOST_LOGGED = 200;

/** What was reported in a discussion and what was done; for its staff, and for nobody else. */
export async function moderationPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<ModerationPage, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  if (!entered.staff) return fail({ code: 'not-found' });
  const [{ posts }, reports, log] = await Promise.all([
    visibleOutlines(deps.db, actor, entered),
    openReports(deps.db, entered.record.id),
    moderationLog(deps.db, entered.record.id, MOST_LOGGED),
  ]);
  const byId = new Map(posts.map((p) => [p.id, p]));
  const reported = new Map<PostId, ReportedPost>();
  for (const { post, by, reason, at } of reports) {
    const found = byId.get(post);
    if (!found) continue;
    const entry = reported.get(post) ?? {
      id: post,
      author: found.author.name,
      opening: openingOf(found),
      hidden: found.hidden,
      reports: [],
    };
    reported.set(post, entry);
    entry.reports.push({ by, reason, at });
  }
  return ok({
    head: headOf(deps, entered),
    reported: [...reported.values()],
    log: log.map((l) => ({ ...l, author: byId.get(l.post)?.author.name ?? '' })),
  });
}
