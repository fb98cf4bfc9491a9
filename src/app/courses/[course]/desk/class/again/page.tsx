import { notFound } from 'next/navigation';
import { deskHoursAgainAt } from '@/contract/addresses';
import { hoursAgainPage, hoursAgainSchema } from '@/server/desk/hours';
import { HoursAgain } from '@/ui/desk/hours-again';
import { DeskFrame } from '../../../../../_request/desk-frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

export const metadata = { title: 'Asked again' };

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<{ people?: string }>;
};

export default async function HoursAgainRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const query = await queryOf(searchParams);
  const here = deskHoursAgainAt(course, query);
  const who = await requireVisitor(here);
  const act = hoursAgainSchema.safeParse({
    ...query,
    people: query.people?.split(' ').filter(Boolean) ?? [],
  });
  if (!act.success) notFound();
  const found = await hoursAgainPage(who.deps, who.actor, course, act.data);
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="class">
      <HoursAgain page={found.value} />
    </DeskFrame>
  );
}
