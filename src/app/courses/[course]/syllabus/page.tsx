import { syllabusAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { syllabusPage } from '@/server/courses/syllabus';
import { CoursePage } from '@/ui/courses/head';
import { SyllabusView } from '@/ui/courses/syllabus';
import { AnswerLine } from '@/ui/frame/answer';
import { syllabusAnswer } from '@/ui/words/people';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ course: string }>; searchParams: Promise<{ answer?: string }> };

export const metadata = { title: 'Syllabus' };

export default async function SyllabusPage({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer } = await queryOf(searchParams);
  const here = syllabusAt(course);
  const who = await requireVisitor(here);
  const found = await syllabusPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="syllabus">
        <AnswerLine answer={answer ? syllabusAnswer(answer) : null} />
        <SyllabusView
          {...found.value}
          course={course}
          staff={found.value.course.staff && !found.value.course.outside}
          zone={who.actor.timeZone}
        />
      </CoursePage>
    </Frame>
  );
}
