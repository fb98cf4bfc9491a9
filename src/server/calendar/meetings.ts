import type { MeetingEntry } from '@/contract/calendar';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { endOf, slotsOf } from '@/core/questions/meeting';
import { ask } from '@/db/ask';
import { meetingsFor } from '@/db/queries/meetings';
import type { Actor, Deps } from '../deps';

/** The hours to meet that stand in somebody's calendar: their own slots, hours without slots, and whole what they offer themselves. */
export async function meetingEntries(
  { db }: Pick<Deps, 'db'>,
  actor: Pick<Actor, 'id'>,
): Promise<MeetingEntry[]> {
  const due = await ask(meetingsFor(db, actor.id));
  return due.map((m) => {
    const slot = m.mine === null ? undefined : slotsOf(m)[m.mine];
    const at = slot?.from ?? m.starts;
    return {
      uid: `meeting-${m.post}@pulpit`,
      number: m.number,
      title: m.title,
      course: { code: m.course.code, slug: m.course.slug },
      place: m.place,
      zone: m.course.zone,
      at,
      until: slot?.until ?? endOf(m),
      wall: wallClockAt(at, m.course.zone),
    };
  });
}
