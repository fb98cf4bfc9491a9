import { progressAt } from '@/contract/addresses';
import { progressPage } from '@/server/progress/progress';
import { Progress } from '@/ui/progress/progress';
import { Frame } from '../_request/frame';
import { requireVisitor } from '../_request/session';

export const metadata = { title: 'Progress' };

export default async function ProgressRoute() {
  const here = progressAt();
  const who = await requireVisitor(here);
  const page = await progressPage(who.deps, who.actor);
  return (
    <Frame visitor={who} here={here} place="progress">
      <Progress page={page} />
    </Frame>
  );
}
