import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Term } from '@/contract/desk';
import { termPage } from '@/server/desk/term';
import { NeedsMe } from '@/ui/desk/needs';
import { Sheet } from '@/ui/desk/sheet';
import { DeskFrame } from '../../../_request/desk-frame';
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
    <DeskFrame visitor={who} here={here} course={term.course} room="term" answer={answer}>
      {open === null ? <NeedsMe needs={term.needs} course={course} zone={who.actor.timeZone} /> : null}
      <Sheet term={term} open={open}>
        {right}
      </Sheet>
    </DeskFrame>
  );
}
