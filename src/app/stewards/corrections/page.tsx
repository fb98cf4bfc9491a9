import { stewardsCorrectionsAt } from '@/contract/addresses';
import { correctionsPage } from '@/server/outside/corrections';
import { Corrections } from '@/ui/stewards/corrections';
import { queryOf } from '../../_request/query';
import { answerOf, requireSteward, StewardsFrame } from '../../_request/stewards';

export const metadata = { title: 'What was put right' };

type Props = { searchParams: Promise<{ answer?: string }> };

export default async function CorrectionsRoute({ searchParams }: Props) {
  const { who } = await requireSteward(stewardsCorrectionsAt());
  const [page, { answer }] = await Promise.all([correctionsPage(who.deps), queryOf(searchParams)]);
  return (
    <StewardsFrame
      who={who}
      here={stewardsCorrectionsAt()}
      room="college"
      above="College and help"
      title="What was put right of prompts"
      answer={answerOf(answer)}
    >
      <Corrections page={page} />
    </StewardsFrame>
  );
}
