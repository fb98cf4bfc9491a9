import { moderationLogAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { moderationPage } from '@/server/posts/moderation';
import { ModerationPage } from '@/ui/conversation/moderation-page';
import { Head } from '@/ui/discussion/head';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }> };

export const metadata = { title: 'Reports and log' };

/** What was reported in a discussion and what was done; for its staff. */
export default async function Care({ params }: Props) {
  const { slug } = await params;
  const here = moderationLogAt(slug);
  const who = await requireVisitor(here);
  const page = await moderationPage(who.deps, who.actor, slug);
  if (!page.ok) notFound();
  const { head, reported, log } = page.value;
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        <ModerationPage slug={slug} reported={reported} log={log} zone={who.actor.timeZone} />
      </main>
    </Frame>
  );
}
