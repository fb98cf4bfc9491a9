import Link from 'next/link';
import type { ReactNode } from 'react';
import { zoneName } from '../words/time';
import type { CourseView } from './types';

const ROOMS = [
  ['', 'Weeks'],
  ['/syllabus', 'Syllabus'],
  ['/announcements', 'Announcements'],
  ['/people', 'People'],
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
        <nav aria-label={`Rooms of ${course.code}`} className="w-full lg:ml-auto lg:w-auto">
          <ul className="flex overflow-x-auto rounded-[8px] border border-rule bg-page-2">
            {ROOMS.map(([path, name], i) => (
              <li key={path} className={`grow ${i > 0 ? 'border-l border-rule' : ''}`}>
                <Link
                  href={`/courses/${course.slug}${path}`}
                  aria-current={room === path ? 'page' : undefined}
                  className={`block px-3 py-2 text-center text-[13px] font-semibold outline-offset-[-3px] ${
                    room === path
                      ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]'
                      : 'text-ink-2 hover:text-ink'
                  }`}
                >
                  {name}
                </Link>
              </li>
            ))}
          </ul>
        </nav>
      </div>
      {props.children}
    </main>
  );
}
