import { notFound } from 'next/navigation';
import { rosterAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { rosterPage } from '@/server/stewards/roster';
import { Roster } from '@/ui/stewards/roster';
import { requireSteward, StewardsFrame } from '../../../_request/stewards';

export const metadata = { title: 'Roster' };

type Props = { params: Promise<{ id: string }> };

export default async function RosterPage({ params }: Props) {
  const { id } = await params;
  const here = rosterAt(id);
  const { who } = await requireSteward(here);
  const found = isUuid(id) ? await rosterPage(who.deps, id) : null;
  if (!found?.ok) notFound();
  const { course } = found.value;
  return (
    <StewardsFrame
      who={who}
      here={here}
      room="courses"
      above={`${course.code} ${course.title}`}
      title="A roster, before it is taken"
    >
      <Roster roster={found.value} />
    </StewardsFrame>
  );
}
