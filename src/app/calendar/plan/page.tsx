import { planAt } from '@/contract/addresses';
import { own } from '@/core/own';
import { planView } from '@/server/planning/plan';
import { Plan } from '@/ui/calendar/plan';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';

type Props = { searchParams: Promise<{ answer?: string }> };

export const metadata = { title: 'Plan' };

const ANSWERS: Record<string, { good: boolean; text: string }> = {
  kept: { good: true, text: 'Kept. The plan below is made anew.' },
  malformed: {
    good: false,
    text: 'That could not be kept: give both times as hours and minutes. Nothing was changed.',
  },
};

export default async function PlanPage({ searchParams }: Props) {
  const who = await requireVisitor(planAt());
  const [plan, { answer }] = await Promise.all([planView(who.deps, who.actor), queryOf(searchParams)]);
  return (
    <Frame visitor={who} here={planAt()} place="calendar">
      <Plan plan={{ ...plan, answer: own(ANSWERS, answer) ?? null }} />
    </Frame>
  );
}
