import { postId } from '@/core/ids';
import { removePost } from '@/server/outside/posts';
import { requireVisitor } from '../../../../../_request/session';
import { fromOwnPages, seeOther } from '../../../../../_request/write';

/** Takes a post out of an outside discussion; one's own comes back as a draft. */
export async function POST(request: Request, context: { params: Promise<{ slug: string; post: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug, post } = await context.params;
  const room = `/discussions/${slug}/conversation`;
  const who = await requireVisitor(room);
  const removed = await removePost(
    who.deps,
    who.actor,
    slug,
    postId(/^\d{1,15}$/u.test(post) ? Number(post) : 0),
  );
  if (!removed.ok) return seeOther(`${room}?post=${post}&answer=${removed.failure.code}`);
  const { own, kind, parent } = removed.value;
  if (own && kind === 'response') return seeOther(`/discussions/${slug}/response`);
  return seeOther(parent === null ? room : `${room}?post=${parent}`);
}
