import { notFound } from 'next/navigation';
import { deskGoesAt } from '@/contract/addresses';
import { howItGoesPage } from '@/server/rhythm/how-it-goes';
import { HowItGoes } from '@/ui/rhythm/how-it-goes';
import { DeskFrame } from '../../../../_request/desk-frame';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'How it goes' };

type Props = { params: Promise<{ course: string }> };

export default async function HowItGoesRoute({ params }: Props) {
  const { course } = await params;
  const here = deskGoesAt(course);
  const who = await requireVisitor(here);
  const found = await howItGoesPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="goes">
      <HowItGoes page={found.value} />
    </DeskFrame>
  );
}
