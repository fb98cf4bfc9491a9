import { notFound } from 'next/navigation';
import { deskGroupsAt } from '@/contract/addresses';
import { groupsPage } from '@/server/desk/groups';
import { CoursePage } from '@/ui/courses/head';
import { DeskGroups } from '@/ui/desk/groups';
import { DeskRooms } from '@/ui/desk/rooms';
import { AnswerLine } from '@/ui/frame/answer';
import { deskAnswer } from '@/ui/words/desk';
import { Frame } from '../../../../_request/frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'Groups' };

type Props = { params: Promise<{ course: string }>; searchParams: Promise<{ answer?: string }> };

export default async function GroupsRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer } = await queryOf(searchParams);
  const here = deskGroupsAt(course);
  const who = await requireVisitor(here);
  const found = await groupsPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="desk" wide>
        <DeskRooms course={course} here="groups" />
        <AnswerLine answer={answer ? deskAnswer(answer) : null} />
        <DeskGroups page={found.value} />
      </CoursePage>
    </Frame>
  );
}
