import { careLogAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { carePage } from '@/server/care/care';
import { CarePage } from '@/ui/conversation/care-page';
import { Head } from '@/ui/discussion/head';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }> };

export const metadata = { title: 'Reports and log' };

/** What was reported in a discussion and what was done; for its staff. */
export default async function Care({ params }: Props) {
  const { slug } = await params;
  const here = careLogAt(slug);
  const who = await requireVisitor(here);
  const page = await carePage(who.deps, who.actor, slug);
  if (!page.ok) notFound();
  const { head, reported, log } = page.value;
  return (
    <Frame visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        <CarePage slug={slug} reported={reported} log={log} zone={who.actor.timeZone} />
      </main>
    </Frame>
  );
}
