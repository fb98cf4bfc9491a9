import { postId } from '@/core/ids';
import { withdrawPost } from '@/server/posts/change';
import { requireVisitor } from '../../../../../_request/session';
import { fromOwnPages, seeOther } from '../../../../../_request/write';

/** Withdraws a shared post of one's own; its text is a draft again. */
export async function POST(request: Request, context: { params: Promise<{ slug: string; post: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug, post } = await context.params;
  const page = `/discussions/${slug}`;
  const who = await requireVisitor(page);
  const id = postId(/^\d{1,15}$/u.test(post) ? Number(post) : 0);
  const done = await withdrawPost(who.deps, who.actor, slug, id);
  if (!done.ok) return seeOther(`${page}/posts/${id}/edit?answer=${done.failure.code}`);
  const { kind, parent } = done.value;
  return seeOther(
    kind === 'response'
      ? `${page}/response?answer=withdrawn`
      : `${page}/conversation?post=${parent}&answer=withdrawn`,
  );
}
