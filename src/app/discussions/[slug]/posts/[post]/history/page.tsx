import { postHistoryAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { postId } from '@/core/ids';
import { postHistory } from '@/server/posts/history';
import { Head } from '@/ui/discussion/head';
import { PostVersions } from '@/ui/history/post-versions';
import { Frame } from '../../../../../_request/frame';
import { requireVisitor } from '../../../../../_request/session';

type Props = { params: Promise<{ slug: string; post: string }> };

export const metadata = { title: 'Every version of a post' };

export default async function HistoryPage({ params }: Props) {
  const { slug, post: number } = await params;
  const here = postHistoryAt(slug, number);
  const who = await requireVisitor(here);
  const found = await postHistory(
    who.deps,
    who.actor,
    slug,
    postId(/^\d{1,15}$/u.test(number) ? Number(number) : 0),
  );
  if (!found.ok) notFound();
  const { head, post, versions } = found.value;
  return (
    <Frame visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-8 sm:px-7">
          <PostVersions
            slug={slug}
            post={{ id: post.id, author: post.author.name, kind: post.kind }}
            versions={versions}
            zone={head.schedule.zone}
          />
        </div>
      </main>
    </Frame>
  );
}
