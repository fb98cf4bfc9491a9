import { announcementsAt, courseAt, peopleAt, syllabusAt } from '@/contract/addresses';
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
export type CourseRoom = (typeof ROOMS)[number][0];

/** The frame of a course's pages: its name, its zone, and its four rooms. */
export function CoursePage(props: { course: CourseView; room: CourseRoom; children: ReactNode }) {
  const { course, room } = props;
  return (
    <main id="main" className="mx-auto grid max-w-[1100px] gap-5 px-4 py-6 sm:px-7">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div>
          <p className="text-[12px] font-semibold text-ink-2">
            {course.code} · times in {zoneName(course.zone)}
          </p>
          <h1 className="text-[25px] leading-tight">{course.title}</h1>
        </div>
        <Rooms
          label={`Rooms of ${course.code}`}
          here={room}
          rooms={ROOMS.map(([id, name, at]) => ({ id, name, href: at(course.slug) }))}
        />
      </div>
      {props.children}
    </main>
  );
}
