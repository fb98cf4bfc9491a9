import { resolveSchedule } from '@/core/deadlines/schedule';
import { groupBy } from '@/core/group';
import { classRhythm } from '@/core/rhythm/class-rhythm';
import { responsesHeard } from '@/core/rhythm/responses';
import { ask, askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import { studentsEver } from '@/db/queries/class';
import { postsIn } from '@/db/queries/own-posts';
import { coursesWithoutRhythm, putRhythm, withRhythm } from '@/db/queries/rhythms';
import type { Deps } from '../deps';

/**
 * Keeps the class's rhythm of every discussion that has closed since: once, as it was when it closed, so that no later picture tells what
 * somebody did in between. Answers how many were kept.
 */
export async function keepRhythms({ db, now }: Pick<Deps, 'db' | 'now'>): Promise<number> {
  let kept = 0;
  for (const { course, staff } of await coursesWithoutRhythm(db)) {
    const done = await withRhythm(db, course);
    const over = (await ask(discussionsOf(db, staff.id, { course })))
      .filter((d) => !done.has(d.id))
      .map((d) => ({ id: d.id, schedule: resolveSchedule(d.timetable) }))
      .filter((d) => now >= d.schedule.closes);
    if (over.length === 0) continue;
    const { posts, students } = await askTogether(db, {
      posts: postsIn(db, { course }),
      students: studentsEver(db, course),
    });
    const responses = groupBy(responsesHeard(posts, students), (r) => r.discussion);
    for (const { id, schedule } of over) {
      const stood = (responses.get(id) ?? [])
        .filter((r) => r.at < schedule.closes)
        .map((r) => ({ ...r, replies: r.replies.filter((at) => at < schedule.closes).length }));
      await putRhythm(db, { course, discussion: id }, classRhythm(stood, schedule.response.due), now);
      kept += 1;
    }
  }
  return kept;
}
