import { thisWeek } from '@/server/week/this-week';
import { Since } from '@/ui/week/since';
import { Week } from '@/ui/week/week';
import { Frame } from './_request/frame';
import { requireVisitor } from './_request/session';

export const metadata = { title: 'This week' };

export default async function ThisWeekPage() {
  const who = await requireVisitor('/');
  const found = await thisWeek(who.deps, who.actor);
  const { since, toSign, toBegin, offering, announcements, moreAnnouncements, ...week } = found;
  const { zone, now, lines } = week;
  const teaches = lines.some((l) => l.teaching !== null);
  const news = { since, toSign, toBegin, offering, announcements, more: moreAnnouncements };
  return (
    <Frame visitor={who} here="/" place="week">
      <Week week={week} mine={who.mine} since={<Since {...news} teaches={teaches} zone={zone} now={now} />} />
    </Frame>
  );
}
