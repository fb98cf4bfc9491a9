import { thisWeek } from '@/server/week/this-week';
import { Week } from '@/ui/week/week';
import { Frame } from './_request/frame';
import { requireVisitor } from './_request/session';

export const metadata = { title: 'This week' };

export default async function ThisWeekPage() {
  const who = await requireVisitor('/');
  const week = await thisWeek(who.deps, who.actor);
  return (
    <Frame visitor={who} here="/" place="week">
      <Week week={week} mine={who.mine} />
    </Frame>
  );
}
