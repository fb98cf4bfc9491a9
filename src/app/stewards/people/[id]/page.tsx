import { notFound } from 'next/navigation';
import { stewardsPersonAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { personPage } from '@/server/stewards/people';
import { Person } from '@/ui/stewards/person';
import { queryOf } from '../../../_request/query';
import { answerOf, requireSteward, StewardsFrame } from '../../../_request/stewards';

export const metadata = { title: 'Person' };

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ answer?: string }> };

export default async function PersonPage({ params, searchParams }: Props) {
  const { id } = await params;
  const here = stewardsPersonAt(id);
  const { who, steward } = await requireSteward(here);
  const found = isUuid(id) ? await personPage(who.deps, steward, id) : null;
  if (!found?.ok) notFound();
  const { answer } = await queryOf(searchParams);
  return (
    <StewardsFrame
      who={who}
      here={here}
      room="people"
      above="One of the people"
      title={found.value.name}
      answer={answerOf(answer)}
    >
      <Person person={found.value} zone={who.actor.timeZone} />
    </StewardsFrame>
  );
}
