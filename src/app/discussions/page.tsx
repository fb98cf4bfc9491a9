import { allDiscussions } from '@/server/discussions/all';
import { Shelves } from '@/ui/week/shelves';
import { Frame } from '../_request/frame';
import { requireVisitor } from '../_request/session';

export const metadata = { title: 'Discussions' };

export default async function DiscussionsPage() {
  const who = await requireVisitor('/discussions');
  const { now, shelves } = await allDiscussions(who.deps, who.actor);
  return (
    <Frame visitor={who} here="/discussions" place="/discussions">
      <Shelves shelves={shelves} now={now} />
    </Frame>
  );
}
