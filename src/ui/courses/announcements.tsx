import { newAnnouncementAt } from '@/contract/addresses';
import { moment } from '../words/time';
import { plural } from '../words/plural';
import { Announcement } from './announcement';
import type { CourseAnnouncement, CourseView } from '@/contract/course';

function Write({ course }: { course: CourseView }) {
  return (
    <form action={newAnnouncementAt(course.slug)} method="post" className="plate grid gap-3 px-4 py-4">
      <h2 className="text-[16.5px]">Announce something</h2>
      <label className="grid gap-1 font-semibold">
        Title
        <input className="field font-normal" name="title" required maxLength={200} />
      </label>
      <label className="grid gap-1 font-semibold">
        Text
        <textarea className="field min-h-28 font-normal" name="body" required maxLength={10_000} />
      </label>
      <p>
        <button className="btn go" type="submit">
          Announce to everybody in {course.code}
        </button>
      </p>
    </form>
  );
}

/** A course's announcements: only staff write them, nobody can switch them off, and each says whether it was read. */
export function Announcements(props: {
  course: CourseView;
  announcements: CourseAnnouncement[];
  students: number;
  zone: string;
  problem: string | null;
}) {
  const { course, announcements } = props;
  return (
    <div className="grid gap-5">
      {props.problem ? (
        <p role="status" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
          {props.problem}
        </p>
      ) : null}
      {course.staff ? <Write course={course} /> : null}
      <ul className="plate border-l-4 border-l-ochre px-4 py-1">
        {announcements.map((a) => (
          <li key={a.id} className="border-t border-rule-soft py-2 first:border-t-0">
            <Announcement
              id={a.id}
              title={a.title}
              line={`${a.author} · ${moment(a.postedAt, props.zone)}${
                a.readBy === null ? '' : ` · read by ${a.readBy} of ${plural(props.students, 'student')}`
              }`}
              body={a.body}
              read={a.readAt !== null || course.staff}
              open={a.readAt === null && !course.staff}
            />
          </li>
        ))}
        {announcements.length === 0 ? <li className="py-3 text-ink-2">No announcements yet.</li> : null}
      </ul>
      <p className="text-[13px] text-ink-2">
        Announcements come from the staff of this course and cannot be switched off.
      </p>
    </div>
  );
}
