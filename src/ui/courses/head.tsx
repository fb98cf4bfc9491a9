import { announcementsAt, beginningAt, courseAt, deskAt, peopleAt, syllabusAt } from '@/contract/addresses';
import type { ReactNode } from 'react';
import { Rooms } from '../frame/rooms';
import { zoneName } from '../words/time';
import type { CourseView } from '@/contract/course';

const ROOMS = [
  ['weeks', 'Weeks', courseAt],
  ['syllabus', 'Syllabus', syllabusAt],
  ['announcements', 'Announcements', announcementsAt],
  ['people', 'People', peopleAt],
] as const;
/** For who teaches it. */
const DESK = ['desk', 'Desk', deskAt] as const;
/** For who begins it. */
const BEGIN = ['begin', 'Begin here', beginningAt] as const;
export type CourseRoom = (typeof ROOMS)[number][0] | 'desk' | 'begin';

/** The frame of a course's pages: its name, its zone, and its rooms. */
export function CoursePage(props: {
  course: CourseView;
  room: CourseRoom;
  /** As wide as a sheet of two pages. */
  wide?: boolean;
  children: ReactNode;
}) {
  const { course, room } = props;
  const teaches = course.staff && !course.outside;
  const rooms = [...(teaches ? [DESK] : []), ...(course.begins || room === 'begin' ? [BEGIN] : []), ...ROOMS];
  return (
    <main
      id="main"
      className={`mx-auto grid grid-cols-[minmax(0,1fr)] gap-5 px-4 py-6 sm:px-7 ${props.wide ? 'max-w-[1400px]' : 'max-w-[1100px]'}`}
    >
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div>
          <p className="text-[12px] font-semibold text-ink-2">
            {course.code}
            {course.term ? ` · ${course.term}` : ''} · times in {zoneName(course.zone)}
          </p>
          <h1 className="text-[25px] leading-tight">{course.title}</h1>
        </div>
        <Rooms
          label={`Rooms of ${course.code}`}
          here={room}
          rooms={rooms.map(([id, name, at]) => ({ id, name, href: at(course.slug) }))}
        />
      </div>
      {props.children}
    </main>
  );
}
