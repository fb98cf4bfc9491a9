import { courseAt, courseWeekAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { courseWeek } from '@/server/courses/weeks';
import { CoursePage } from '@/ui/courses/head';
import { CourseWeek } from '@/ui/courses/week';
import { AnswerLine } from '@/ui/frame/answer';
import { noteAnswerText } from '@/ui/words/notes';
import { Frame } from '../../_request/frame';
import { requireVisitor } from '../../_request/session';

/** A week of a course; the one that is on where none is named. */
export async function CourseWeekPage({
  course,
  week,
  answer,
}: {
  course: string;
  week: number | null;
  answer?: string;
}) {
  const here = week === null ? courseAt(course) : courseWeekAt(course, week);
  const who = await requireVisitor(here);
  const found = await courseWeek(who.deps, who.actor, course, week);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="weeks">
        <AnswerLine answer={answer ? { good: false, text: noteAnswerText(answer, {}) } : null} />
        <CourseWeek view={found.value} />
      </CoursePage>
    </Frame>
  );
}
