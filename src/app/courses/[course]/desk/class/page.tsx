import { notFound } from 'next/navigation';
import { deskClassAt } from '@/contract/addresses';
import { classPage } from '@/server/desk/class';
import { DeskClass } from '@/ui/desk/class';
import { DeskFrame } from '../../../../_request/desk-frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'The class' };

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<{ answer?: string; page?: string; choose?: string }>;
};

export default async function ClassRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer, page, choose } = await queryOf(searchParams);
  const here = deskClassAt(course);
  const who = await requireVisitor(here);
  const found = await classPage(who.deps, who.actor, course, {
    page: /^\d{1,4}$/u.test(page ?? '') ? Number(page) : 1,
    choose: choose ?? '',
  });
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="class" answer={answer}>
      <DeskClass key={choose} page={found.value} author={who.actor.name} zone={who.actor.timeZone} />
    </DeskFrame>
  );
}
