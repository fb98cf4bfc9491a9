import { notFound } from 'next/navigation';
import { deskMarkingAt } from '@/contract/addresses';
import { markingPage } from '@/server/marks/marking';
import { MarkingDesk } from '@/ui/marks/marking-desk';
import { DeskFrame } from '../../../../../_request/desk-frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

export const metadata = { title: 'Marks' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ student?: string; covered?: string; answer?: string }>;
};

export default async function MarkingRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { student, covered, answer } = await queryOf(searchParams);
  const here = deskMarkingAt(course, slug, { student, covered });
  const who = await requireVisitor(here);
  const found = await markingPage(who.deps, who.actor, course, slug, student ?? null, covered === 'yes');
  if (!found.ok) notFound();
  const page = found.value;
  return (
    <DeskFrame visitor={who} here={here} course={page.course} room="term" answer={answer}>
      <MarkingDesk page={page} />
    </DeskFrame>
  );
}
