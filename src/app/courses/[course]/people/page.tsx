import { peopleAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { peoplePage } from '@/server/courses/people';
import { CoursePage } from '@/ui/courses/head';
import { People } from '@/ui/courses/people';
import { OwnTimes } from '@/ui/courses/own-times';
import { AnswerLine } from '@/ui/frame/answer';
import { peopleAnswer } from '@/ui/words/people';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ course: string }>; searchParams: Promise<{ answer?: string }> };

export const metadata = { title: 'People' };

export default async function PeoplePage({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer } = await queryOf(searchParams);
  const here = peopleAt(course);
  const who = await requireVisitor(here);
  const found = await peoplePage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="people">
        <AnswerLine answer={answer ? peopleAnswer(answer) : null} />
        <div className="grid gap-5">
          <People people={found.value.people} me={who.actor.id} />
          {found.value.times === null ? null : <OwnTimes course={course} times={found.value.times} />}
        </div>
      </CoursePage>
    </Frame>
  );
}
