import { notFound } from 'next/navigation';
import { deskDatesAt } from '@/contract/addresses';
import { datesPage } from '@/server/desk/discussion';
import { DeskDates } from '@/ui/desk/dates';
import { DeskFrame } from '../../../../../_request/desk-frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

export const metadata = { title: 'Other dates' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ opens?: string; responseDue?: string; repliesDue?: string }>;
};

export default async function DeskDatesRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { opens = '', responseDue = '', repliesDue = '' } = await queryOf(searchParams);
  const here = deskDatesAt(course, slug, { opens, responseDue, repliesDue });
  const who = await requireVisitor(here);
  const found = await datesPage(who.deps, who.actor, course, slug, { opens, responseDue, repliesDue });
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="term">
      <DeskDates page={found.value} />
    </DeskFrame>
  );
}
