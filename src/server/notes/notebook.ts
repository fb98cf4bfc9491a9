import { resolveSchedule } from '@/core/deadlines/schedule';
import type { NotebookPage } from '@/core/notebook/notebook';
import { askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import { ownPosts } from '@/db/queries/own-posts';
import { notesToSelf } from '@/db/queries/notes-to-self';
import type { Actor, Deps } from '../deps';

/**
 * Somebody's notebook: what they noted of each course and of its discussions, by week, and a page to begin for what is open now. It is nobody
 * else's: there is no way to ask for another's.
 */
export async function notebook(deps: Deps, actor: Actor): Promise<NotebookPage[]> {
  const found = await askTogether(deps.db, {
    notes: notesToSelf(deps.db, actor.id),
    discussions: discussionsOf(deps.db, actor.id),
    courses: discussionsOf(deps.db, actor.id, { asks: true }),
    own: ownPosts(deps.db, actor.id),
  });
  const noteOf = new Map(found.notes.map((n) => [n.discussion, { body: n.body, keptAt: n.keptAt }]));
  const responded = new Set(
    found.own.flatMap((p) => (p.kind === 'response' && !p.withdrawn ? [p.discussion] : [])),
  );
  const pages = [...found.courses, ...found.discussions].flatMap((r): NotebookPage[] => {
    const note = noteOf.get(r.id) ?? null;
    const { opens, closes } = resolveSchedule(r.timetable);
    const open = deps.now >= opens && deps.now < closes;
    if (!r.asks && !open && !note?.body.trim()) return [];
    return [
      {
        slug: r.slug,
        title: r.title,
        course: { code: r.course.code, slug: r.course.slug, title: r.course.title },
        week: r.asks ? null : r.week.number,
        note,
        writing: !r.asks && open && !responded.has(r.id),
      },
    ];
  });
  return pages.sort(
    (a, b) => a.course.code.localeCompare(b.course.code) || (b.week ?? Infinity) - (a.week ?? Infinity),
  );
}
