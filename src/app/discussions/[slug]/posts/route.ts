import { z } from 'zod';
import { composeFromForm, type FormText } from '@/server/posts/compose-form';
import { keepDraft } from '@/server/drafts/keep';
import { postId, type PostId } from '@/core/ids';
import { isBlank } from '@/core/posts/flatten';
import { keptToShare, wantsAsking } from '@/server/posts/kept-to-share';
import { share, shareInputSchema } from '@/server/posts/share';
import { requireVisitor, visitor, type Visitor } from '../../../_request/session';
import { bodyFields, fromOwnPages, isJson, jsonBody, seeOther, unexpected } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Shares a post: as JSON from the editor, or as the plain form that works without scripts. */
export async function POST(request: Request, context: Context) {
  const { slug } = await context.params;
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  return isJson(request) ? shareJson(request, slug) : shareForm(request, slug);
}

async function shareJson(request: Request, slug: string) {
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = shareInputSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'document-malformed' }, { status: 422 });
    const shared = await share(who.deps, who.actor, slug, read.data);
    if (shared.ok)
      return Response.json({ ok: true, ...shared.value }, { status: shared.value.repeated ? 200 : 201 });
    // Refused, but not lost: what was written stays as the draft.
    await keep(who, slug, { ...read.data, base: 0 });
    return Response.json(
      { ok: false, ...shared.failure },
      { status: shared.failure.code === 'not-found' ? 404 : 409 },
    );
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}

type Keepable = Omit<FormText, 'doc'> & { doc?: unknown };

const keep = (who: Visitor, slug: string, { kind, parent, submission, title, doc, base }: Keepable) =>
  keepDraft(who.deps, who.actor, slug, { kind, parent, submission, title, doc, base, conflict: 'replace' });

const formSchema = z.object({
  kind: z.enum(['response', 'reply']),
  parent: z.coerce.number().int().positive().nullable(),
  submission: z.uuid().optional(),
  base: z.coerce.number().int().min(0).default(0),
  title: z.string().max(200).default(''),
  text: z.array(z.string()).max(20),
  do: z.enum(['keep', 'share', 'share-kept']).default('share'),
});

async function shareForm(request: Request, slug: string) {
  const who = await requireVisitor(`/discussions/${slug}`);
  const fields = await bodyFields(request);
  const read = formSchema.safeParse({
    ...Object.fromEntries(fields),
    parent: fields.get('parent'),
    text: fields.getAll('text'),
  });
  if (!read.success) return seeOther(`/discussions/${slug}?answer=document-malformed`);
  const form = read.data;
  const room = form.kind === 'response' ? 'response' : 'conversation';
  const back = (query: Record<string, string>) => {
    const q = new URLSearchParams({ ...(form.parent ? { post: String(form.parent) } : {}), ...query });
    return seeOther(`/discussions/${slug}/${room}${q.size ? `?${q}` : ''}`);
  };
  const place = { kind: form.kind, parent: form.parent === null ? null : postId(form.parent) };
  if (form.do !== 'share-kept') {
    const { submission } = form;
    if (!submission) return back({ answer: 'document-malformed' });
    const text = await composeFromForm(who.deps, who.actor, slug, { ...form, submission });
    if (!text.ok) return back({ answer: text.failure.code });
    const kept = await keep(who, slug, text.value);
    if (form.do === 'keep') return back({ answer: kept.ok ? 'kept' : kept.failure.code });
    // A text that was shared before is not a draft any more, and sharing it again finds it.
    if (!kept.ok && kept.failure.code === 'already-shared') {
      const again = await share(who.deps, who.actor, slug, { ...text.value, private: false });
      return again.ok ? sharedAs(form.kind, back, again.value.post) : back({ answer: again.failure.code });
    }
    if (!kept.ok) return back({ answer: kept.failure.code });
  }
  const kept = await keptToShare(who.deps, who.actor, slug, place);
  if (!kept.ok) return back({ answer: 'nothing-written' });
  if (form.do === 'share' && !isBlank(kept.value.draft.doc) && wantsAsking(kept.value)) {
    const q = new URLSearchParams({ kind: form.kind, ...(form.parent ? { post: String(form.parent) } : {}) });
    return seeOther(`/discussions/${slug}/share?${q}`);
  }
  const { submission, title, doc } = kept.value.draft;
  const shared = await share(who.deps, who.actor, slug, {
    ...place,
    submission,
    title,
    doc,
    private: false,
  });
  if (!shared.ok) return back({ answer: shared.failure.code });
  return sharedAs(form.kind, back, shared.value.post);
}

const sharedAs = (
  kind: 'response' | 'reply',
  back: (query: Record<string, string>) => Response,
  id: PostId,
) => {
  const post = String(id);
  return back(kind === 'response' ? { shared: post } : { post, shared: post });
};
