import { sureToShareAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { postId } from '@/core/ids';
import { keptToShare } from '@/server/posts/kept-to-share';
import { Head } from '@/ui/discussion/head';
import { ShareAllTheSame } from '@/ui/writing/share-all-the-same';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Before it is shared' };

const query = z.object({
  kind: z.enum(['response', 'reply']).catch('response'),
  post: z.coerce.number().int().positive().nullable().catch(null),
});

/** Stands between a form without scripts and the class, where there is something to say before. */
export default async function BeforeSharingPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { kind, post } = query.parse(await queryOf(searchParams));
  const here = sureToShareAt(slug, { kind, post });
  const who = await requireVisitor(here);
  const parent = kind === 'reply' && post !== null ? postId(post) : null;
  const kept = await keptToShare(who.deps, who.actor, slug, { kind, parent });
  if (!kept.ok) notFound();
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={kept.value.head.schedule.zone}>
      <main id="main">
        <Head
          head={kept.value.head}
          room={kind === 'response' ? 'response' : 'conversation'}
          ownZone={who.actor.timeZone}
        />
        <div className="px-4 pb-8 sm:px-7">
          <ShareAllTheSame {...kept.value} kind={kind} parent={parent} />
        </div>
      </main>
    </Frame>
  );
}
