import {
  instant,
  personId,
  postId,
  type CourseId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Meeting } from '@/core/questions/meeting';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { mayRead, visible } from './visible';

type Held = { post_id: number | string; n: number; person_id: string; name: string };
const slotsTaken = (rows: readonly Held[]): Meeting['taken'] =>
  rows.map((r) => ({ n: r.n, person: personId(r.person_id), name: r.name }));

/** The hour to meet that a question is; null where it is none. */
export async function meetingOf(db: Db, post: PostId, hold = false): Promise<Meeting | null> {
  const row = await db('meetings')
    .where({ post_id: post })
    .modify((q) => {
      if (hold) q.forUpdate();
    })
    .first();
  if (!row) return null;
  const taken: Held[] = await db('meeting_slots as s')
    .join('people as p', 'p.id', 's.person_id')
    .where('s.post_id', post)
    .orderBy('s.n')
    .select('s.post_id', 's.n', 's.person_id', 'p.name');
  return {
    starts: instant(row.starts_at),
    minutes: row.minutes,
    place: row.place,
    slots: row.slots,
    calledOffAt: row.called_off_at === null ? null : instant(row.called_off_at),
    taken: slotsTaken(taken),
  };
}

type Times = Pick<Meeting, 'starts' | 'minutes' | 'place'>;
const times = ({ starts, minutes, place }: Times) => ({ starts_at: timestamptz(starts), minutes, place });

export const insertMeeting = (
  db: Db,
  { course, post }: { course: CourseId; post: PostId },
  meeting: Times & Pick<Meeting, 'slots'>,
) =>
  db('meetings').insert({
    post_id: post,
    course_id: course,
    slots: meeting.slots,
    ...times(meeting),
  });

/** Moves it, or calls it off. */
export const changeMeeting = (db: Db, post: PostId, change: Times | { calledOffAt: Instant }) =>
  db('meetings')
    .where({ post_id: post })
    .update('calledOffAt' in change ? { called_off_at: timestamptz(change.calledOffAt) } : times(change));

/** Gives somebody a slot, in the place of the one they had; null gives that back. */
export async function takeSlot(
  db: Db,
  place: { course: CourseId; post: PostId; person: PersonId },
  n: number | null,
) {
  await db('meeting_slots').where({ post_id: place.post, person_id: place.person }).delete();
  if (n !== null)
    await db('meeting_slots').insert({
      post_id: place.post,
      n,
      course_id: place.course,
      person_id: place.person,
    });
}

/** An hour to meet as it stands in a calendar. */
export type MeetingDue = {
  post: PostId;
  number: number;
  course: { code: string; slug: string; zone: string };
  title: string;
  starts: Instant;
  minutes: number;
  place: string;
  slots: number;
  /** The slot of whoever asks; null where they have none. */
  mine: number | null;
};

/** The hours to meet that somebody's courses offer: all of whoever gives them, and of a student's those without slots, and their own slots. */
export const meetingsFor = (db: Db, person: PersonId): Ask<MeetingDue[]> => ({
  query: db('meetings as m')
    .join('posts as p', 'p.id', 'm.post_id')
    .join('questions as q', 'q.post_id', 'm.post_id')
    .join('post_texts as t', 't.post_id', 'm.post_id')
    .join('courses as c', 'c.id', 'm.course_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'm.course_id').andOnVal('e.person_id', person))
    .leftJoin('meeting_slots as s', (j) => j.on('s.post_id', 'm.post_id').andOnVal('s.person_id', person))
    .whereNull('m.called_off_at')
    .where(visible(db, 'p'))
    .where(mayRead(db, person, false))
    .where((q) => q.where('m.slots', 0).orWhereNotNull('s.n').orWhereRaw('p.author_id = ?', [person]))
    .orderBy('m.starts_at')
    .select(
      'm.*',
      'q.number',
      't.title',
      't.plain',
      'c.code',
      'c.slug as course_slug',
      'c.time_zone as zone',
      's.n as mine',
    ),
  read: (rows) =>
    rows.map((r) => ({
      post: postId(r.post_id),
      number: r.number,
      course: { code: r.code, slug: r.course_slug, zone: r.zone },
      title: r.title || r.plain.slice(0, 80),
      starts: instant(at(r.starts_at)),
      minutes: r.minutes,
      place: r.place,
      slots: r.slots,
      mine: r.mine,
    })),
});
