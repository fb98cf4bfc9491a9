import { conversationAt, partAt } from '@/contract/addresses';
import { notFound, redirect } from 'next/navigation';
import { yourPart } from '@/server/discussions/your-part';
import { Head } from '@/ui/discussion/head';
import { YourPart } from '@/ui/part/your-part';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }> };

export const metadata = { title: 'Your part' };

export default async function PartPage({ params }: Props) {
  const { slug } = await params;
  const here = partAt(slug);
  const who = await requireVisitor(here);
  const part = await yourPart(who.deps, who.actor, slug);
  if (!part.ok) notFound();
  const { head, shared, sheet, feedback } = part.value;
  if (head.staff) redirect(conversationAt(slug));
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="part" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-4 sm:px-7">
          <YourPart head={head} shared={shared} sheet={sheet} feedback={feedback} />
        </div>
      </main>
    </Frame>
  );
}
