import { exportsAt } from '@/contract/addresses';
import { own } from '@/core/own';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { exportPage } from '@/server/discussions/feed';
import { ExportPage } from '@/ui/conversation/export-page';
import { Head } from '@/ui/discussion/head';
import { AnswerLine } from '@/ui/frame/answer';
import { Frame } from '../../../_request/frame';
import { originOf } from '../../../_request/origin';
import { queryOf } from '../../../_request/query';
import { handedFeedToken, requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<{ answer?: string }> };

export const metadata = { title: 'Take along' };

const ANSWERS: Record<string, string> = {
  feed: 'The address below is new. Put it into your feed reader now: it is shown for ten minutes. An address made before no longer works.',
  revoked: 'The feed is stopped: its address no longer works.',
};

export default async function ExportLinks({ params, searchParams }: Props) {
  const { slug } = await params;
  const here = exportsAt(slug);
  const who = await requireVisitor(here);
  const page = await exportPage(who.deps, who.actor, slug, await handedFeedToken(slug));
  if (!page.ok) notFound();
  const { head, feed } = page.value;
  const answer = own(ANSWERS, (await queryOf(searchParams)).answer);
  const origin = originOf(await headers());
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        {answer ? (
          <div className="px-4 pb-3 sm:px-7">
            <AnswerLine answer={{ good: true, text: answer }} />
          </div>
        ) : null}
        <ExportPage
          head={head}
          zone={who.actor.timeZone}
          feed={feed && { ...feed, address: feed.path && `${origin}${feed.path}` }}
        />
      </main>
    </Frame>
  );
}
