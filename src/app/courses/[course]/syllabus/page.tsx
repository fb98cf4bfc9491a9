import { syllabusAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { syllabusPage } from '@/server/courses/syllabus';
import { CoursePage } from '@/ui/courses/head';
import { SyllabusView } from '@/ui/courses/syllabus';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ course: string }> };

export const metadata = { title: 'Syllabus' };

export default async function SyllabusPage({ params }: Props) {
  const { course } = await params;
  const here = syllabusAt(course);
  const who = await requireVisitor(here);
  const found = await syllabusPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="syllabus">
        <SyllabusView {...found.value} />
      </CoursePage>
    </Frame>
  );
}
