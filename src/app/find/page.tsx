import { findAt } from '@/contract/addresses';
import { find } from '@/server/find/find';
import { FindPage } from '@/ui/find/page';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { requireVisitor } from '../_request/session';

type Props = { searchParams: Promise<{ q?: string | string[] }> };

export const metadata = { title: 'Find' };

export default async function Find({ searchParams }: Props) {
  const { q } = await queryOf(searchParams);
  const typed = typeof q === 'string' ? q : '';
  const here = typed ? findAt({ q: typed }) : findAt();
  const who = await requireVisitor(here);
  const found = await find(who.deps, who.actor, typed);
  return (
    <Frame visitor={who} here={here} place="find">
      <FindPage found={found} typed={typed} zone={who.actor.timeZone} />
    </Frame>
  );
}
