import { notFound } from 'next/navigation';
import { deskSyllabusAt } from '@/contract/addresses';
import { deskSyllabusPage } from '@/server/desk/syllabus';
import { CoursePage } from '@/ui/courses/head';
import { DeskRooms } from '@/ui/desk/rooms';
import { DeskSyllabus } from '@/ui/desk/syllabus';
import { Frame } from '../../../../_request/frame';
import { requireVisitor } from '../../../../_request/session';
import { keepSyllabusOf } from '../actions';

export const metadata = { title: 'Write the syllabus' };

export default async function DeskSyllabusRoute({ params }: { params: Promise<{ course: string }> }) {
  const { course } = await params;
  const here = deskSyllabusAt(course);
  const who = await requireVisitor(here);
  const found = await deskSyllabusPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="desk" wide>
        <DeskRooms course={course} here="settings" />
        <DeskSyllabus page={found.value} action={keepSyllabusOf.bind(null, course)} />
      </CoursePage>
    </Frame>
  );
}
