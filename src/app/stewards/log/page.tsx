import { stewardsLogAt } from '@/contract/addresses';
import { logPage } from '@/server/stewards/home';
import { Log } from '@/ui/stewards/log';
import { queryOf } from '../../_request/query';
import { requireSteward, StewardsFrame } from '../../_request/stewards';

export const metadata = { title: 'Log' };

type Props = { searchParams: Promise<{ before?: string }> };

export default async function LogPage({ searchParams }: Props) {
  const { who } = await requireSteward(stewardsLogAt());
  const { before = '' } = await queryOf(searchParams);
  const lines = await logPage(who.deps, /^\d{1,15}$/u.test(before) ? Number(before) : null);
  return (
    <StewardsFrame who={who} here={stewardsLogAt()} room="log" title="What stewards did">
      <Log lines={lines} zone={who.actor.timeZone} more={lines.length === 100} />
    </StewardsFrame>
  );
}
