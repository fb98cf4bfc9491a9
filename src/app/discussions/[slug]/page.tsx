import { discussionAt, roomAt } from '@/contract/addresses';
import { notFound, redirect } from 'next/navigation';
import { roomToOpen } from '@/server/discussions/room-to-open';
import { requireVisitor } from '../../_request/session';

type Props = { params: Promise<{ slug: string }> };

/** A discussion's one address: it leads to the room where the next thing is to be done. */
export default async function DiscussionPage({ params }: Props) {
  const { slug } = await params;
  const who = await requireVisitor(discussionAt(slug));
  const room = await roomToOpen(who.deps, who.actor, slug);
  if (!room.ok) notFound();
  redirect(roomAt(slug, room.value));
}
