import { postId } from '@/core/ids';
import { changePost, changeSchema } from '@/server/posts/change';
import { visitor } from '../../../../_request/session';
import { fromOwnPages, jsonBody, unexpected } from '../../../../_request/write';

/** Changes a shared post of one's own. */
export async function PUT(request: Request, context: { params: Promise<{ slug: string; post: string }> }) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const { slug, post } = await context.params;
    const read = changeSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
    const id = postId(/^\d{1,15}$/u.test(post) ? Number(post) : 0);
    const changed = await changePost(who.deps, who.actor, slug, id, read.data);
    return changed.ok
      ? Response.json({ ok: true, ...changed.value })
      : Response.json(
          { ok: false, ...changed.failure },
          { status: changed.failure.code === 'not-found' ? 404 : 409 },
        );
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
