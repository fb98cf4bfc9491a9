import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Term } from '@/contract/desk';
import { termPage } from '@/server/desk/term';
import { CoursePage } from '@/ui/courses/head';
import { NeedsMe } from '@/ui/desk/needs';
import { DeskRooms } from '@/ui/desk/rooms';
import { Sheet } from '@/ui/desk/sheet';
import { AnswerLine } from '@/ui/frame/answer';
import { deskAnswer } from '@/ui/words/desk';
import { Frame } from '../../../_request/frame';
import { requireVisitor, type Visitor } from '../../../_request/session';

/** A course's desk with the sheet of its term, and on its right page what was opened. */
export async function Desk(props: {
  here: string;
  course: string;
  open: string | null;
  answer: string | undefined;
  children: (who: Visitor, term: Term) => Promise<ReactNode> | ReactNode;
}) {
  const { here, course, open, answer } = props;
  const who = await requireVisitor(here);
  const found = await termPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  const term = found.value;
  const right = await props.children(who, term);
  return (
    <Frame visitor={who} here={here} place="discussions" zone={term.course.zone}>
      <CoursePage course={term.course} room="desk" wide>
        <DeskRooms course={course} here="term" />
        <AnswerLine answer={answer ? deskAnswer(answer) : null} />
        {open === null ? <NeedsMe needs={term.needs} course={course} zone={who.actor.timeZone} /> : null}
        <Sheet term={term} open={open}>
          {right}
        </Sheet>
      </CoursePage>
    </Frame>
  );
}
