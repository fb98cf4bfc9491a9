import { z } from 'zod';
import { postId } from '@/core/ids';
import { changePost, changeSchema } from '@/server/posts/change';
import { composeFromForm } from '@/server/posts/compose-form';
import { requireVisitor, visitor } from '../../../../_request/session';
import {
  bodyFields,
  fromOwnPages,
  jsonBody,
  numberOf,
  seeOther,
  unexpected,
} from '../../../../_request/write';

/** Changes a shared post of one's own. */
export async function PUT(request: Request, context: { params: Promise<{ slug: string; post: string }> }) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const { slug, post } = await context.params;
    const read = changeSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
    const id = postId(numberOf(post));
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

const formSchema = z.object({
  kind: z.enum(['response', 'reply']),
  parent: z.coerce.number().int().positive().nullable(),
  submission: z.uuid(),
  title: z.string().max(200).default(''),
  text: z.array(z.string()).max(20),
  n: z.coerce.number().int().positive(),
});

/** The same by the plain form that works without scripts. */
export async function POST(request: Request, context: { params: Promise<{ slug: string; post: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug, post } = await context.params;
  const id = postId(numberOf(post));
  const edit = `/discussions/${slug}/posts/${id}/edit`;
  const who = await requireVisitor(edit);
  const fields = await bodyFields(request);
  const read = formSchema.safeParse({
    ...Object.fromEntries(fields),
    parent: fields.get('parent'),
    text: fields.getAll('text'),
  });
  if (!read.success) return seeOther(`${edit}?answer=document-malformed`);
  const text = await composeFromForm(who.deps, who.actor, slug, { ...read.data, base: 0 });
  if (!text.ok) return seeOther(`${edit}?answer=${text.failure.code}`);
  const { title, doc } = text.value;
  const changed = await changePost(who.deps, who.actor, slug, id, { title, doc, n: read.data.n });
  if (!changed.ok) return seeOther(`${edit}?answer=${changed.failure.code}`);
  const room = read.data.kind === 'response' ? 'response?' : `conversation?post=${id}&`;
  return seeOther(`/discussions/${slug}/${room}answer=changed`);
}
