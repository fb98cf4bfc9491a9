import type { Ledger } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Instant } from '@/core/ids';
import type { CheckFigure } from '@/core/checks/types';
import { discussionsOf } from '@/db/queries/discussions';
import { ownPosts } from '@/db/queries/own-posts';
import { draftsOf } from '@/db/queries/drafts';
import { accountOf } from '../access/enter';
import type { Actor, Deps } from '../deps';

export type DiscussionLine = {
  slug: string;
  title: string;
  week: number;
  zone: string;
  state: DiscussionState;
  schedule: Schedule;
  ledger: Ledger | null;
  draftChecks: CheckFigure[] | null;
};
export type CourseShelf = { code: string; title: string; zone: string; discussions: DiscussionLine[] };

/** Every discussion of every course one is in, by course and week, in three queries. */
export async function allDiscussions(
  deps: Deps,
  actor: Actor,
): Promise<{ now: Instant; shelves: CourseShelf[] }> {
  const { db, now } = deps;
  const [records, own, drafts] = await Promise.all([
    discussionsOf(db, actor.id),
    ownPosts(db, actor.id),
    draftsOf(db, actor.id),
  ]);
  const shelves = new Map<string, CourseShelf>();
  for (const record of records) {
    const { code, title } = record.course;
    const shelf = shelves.get(code) ?? { code, title, zone: record.schedule.zone, discussions: [] };
    const mine = drafts.filter((d) => d.discussion === record.id);
    const { schedule, ledger, state } = accountOf(
      record,
      actor,
      own.filter((p) => p.discussion === record.id),
      mine,
      now,
    );
    shelf.discussions.push({
      slug: record.slug,
      title: record.title,
      week: record.week.number,
      zone: record.schedule.zone,
      state,
      schedule,
      ledger,
      draftChecks: mine.find((d) => d.kind === 'response')?.checks ?? null,
    });
    shelves.set(code, shelf);
  }
  return {
    now,
    shelves: [...shelves.values()]
      .sort((a, b) => a.code.localeCompare(b.code))
      .map((s) => ({ ...s, discussions: s.discussions.sort((a, b) => b.week - a.week) })),
  };
}
