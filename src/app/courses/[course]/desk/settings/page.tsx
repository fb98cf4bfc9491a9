import { notFound } from 'next/navigation';
import { deskSettingsAt } from '@/contract/addresses';
import { settingsPage } from '@/server/desk/settings';
import { CoursePage } from '@/ui/courses/head';
import { DeskRooms } from '@/ui/desk/rooms';
import { DeskSettings } from '@/ui/desk/settings';
import { AnswerLine } from '@/ui/frame/answer';
import { deskAnswer } from '@/ui/words/desk';
import { Frame } from '../../../../_request/frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'How this course does it' };

type Props = { params: Promise<{ course: string }>; searchParams: Promise<{ answer?: string }> };

export default async function SettingsRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer } = await queryOf(searchParams);
  const here = deskSettingsAt(course);
  const who = await requireVisitor(here);
  const found = await settingsPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="desk" wide>
        <DeskRooms course={course} here="settings" />
        <AnswerLine answer={answer ? deskAnswer(answer) : null} />
        <DeskSettings page={found.value} />
      </CoursePage>
    </Frame>
  );
}
