import type { CalendarEntry } from '@/contract/calendar';
import { askedBy } from '@/core/brief/part-played';
import { discussionEntries } from '@/core/calendar/entries';
import { groupBy } from '@/core/group';
import type { Deps, Actor } from '../deps';
import { askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import { draftsOf } from '@/db/queries/drafts';
import { ownPosts } from '@/db/queries/own-posts';
import { accountOf } from '../access/enter';
import { enterCourse } from '../courses/enter';
import type { CourseId } from '@/core/ids';

/** Every entry of every discussion a person has, in order of time. */
export const calendarEntries = (deps: Deps, actor: Actor): Promise<CalendarEntry[]> => entriesOf(deps, actor);

/** The same of one course, by its name in addresses; nothing of one that the person is not in. */
export async function termEntries(deps: Deps, actor: Actor, slug: string): Promise<CalendarEntry[]> {
  const door = await enterCourse(deps, actor, slug);
  return door.ok ? entriesOf(deps, actor, door.value.id) : [];
}

async function entriesOf(deps: Deps, actor: Actor, course?: CourseId): Promise<CalendarEntry[]> {
  const { db, now } = deps;
  const { records, own, drafts } = await askTogether(db, {
    records: discussionsOf(db, actor.id, { course }),
    own: ownPosts(db, actor.id),
    drafts: draftsOf(db, actor.id),
  });
  const posts = groupBy(own, (p) => p.discussion);
  const begun = groupBy(drafts, (d) => d.discussion);
  return records
    .flatMap((record) => {
      const account = accountOf(record, actor, posts.get(record.id) ?? [], begun.get(record.id) ?? [], now);
      const { schedule, ledger } = account;
      return discussionEntries(schedule, ledger, askedBy(record.brief), now).map((entry) => ({
        ...entry,
        uid: `${entry.kind}-${record.id}@pulpit`,
        slug: record.slug,
        title: record.title,
        course: { code: record.course.code, slug: record.course.slug },
        week: record.week.number,
        zone: record.timetable.zone,
        late: record.timetable.late,
      }));
    })
    .sort((a, b) => a.at - b.at || a.slug.localeCompare(b.slug));
}
