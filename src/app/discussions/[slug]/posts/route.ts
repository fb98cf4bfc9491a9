import { z } from 'zod';
import { conversationAt, discussionAt, responseAt, sureToShareAt } from '@/contract/addresses';
import { sharing } from '@/contract/writing';
import { composeFromForm, type FormText } from '@/server/posts/compose-form';
import { keepDraft } from '@/server/drafts/keep';
import { postId } from '@/core/ids';
import { isBlank } from '@/core/document/flatten';
import { keptToShare, wantsAsking } from '@/server/posts/kept-to-share';
import { share } from '@/server/posts/share';
import { byContent, form, json } from '../../../_request/endpoint';
import type { Visitor } from '../../../_request/session';
import { seeOther } from '../../../_request/write';

type Keepable = Omit<FormText, 'doc'> & { doc?: unknown };

const keep = (who: Visitor, slug: string, { kind, parent, submission, title, doc, base }: Keepable) =>
  keepDraft(who.deps, who.actor, slug, { kind, parent, submission, title, doc, base, conflict: 'replace' });

const fieldsSchema = z.object({
  kind: z.enum(['response', 'reply']),
  parent: z.coerce.number().int().positive().nullable(),
  submission: z.uuid().optional(),
  base: z.coerce.number().int().min(0).default(0),
  title: z.string().max(200).default(''),
  text: z.array(z.string()).max(20),
  do: z.enum(['keep', 'share', 'share-kept']).default('share'),
});
type Fields = z.infer<typeof fieldsSchema>;

/** Shares what was typed without scripts; a text that may be meant otherwise is asked about on a page between. */
async function shareFields(who: Visitor, slug: string, fields: Fields): Promise<Response> {
  const { kind } = fields;
  const back = (query: Record<string, string | number>) =>
    seeOther(
      kind === 'response'
        ? responseAt(slug, { post: fields.parent, ...query })
        : conversationAt(slug, { post: fields.parent, ...query }),
    );
  const shared = (post: number) => back(kind === 'response' ? { shared: post } : { post, shared: post });
  const place = { kind, parent: fields.parent === null ? null : postId(fields.parent) };
  if (fields.do !== 'share-kept') {
    const { submission } = fields;
    if (!submission) return back({ answer: 'document-malformed' });
    const text = await composeFromForm(who.deps, who.actor, slug, { ...fields, submission });
    if (!text.ok) return back({ answer: text.failure.code });
    const kept = await keep(who, slug, text.value);
    if (fields.do === 'keep') return back({ answer: kept.ok ? 'kept' : kept.failure.code });
    // A text that was shared before is not a draft any more, and sharing it again finds it.
    if (!kept.ok && kept.failure.code === 'already-shared') {
      const again = await share(who.deps, who.actor, slug, { ...text.value, private: false });
      return again.ok ? shared(again.value.post) : back({ answer: again.failure.code });
    }
    if (!kept.ok) return back({ answer: kept.failure.code });
  }
  const kept = await keptToShare(who.deps, who.actor, slug, place);
  if (!kept.ok) return back({ answer: 'nothing-written' });
  if (fields.do === 'share' && !isBlank(kept.value.draft.doc) && wantsAsking(kept.value))
    return seeOther(sureToShareAt(slug, { kind, post: fields.parent }));
  const { submission, title, doc } = kept.value.draft;
  const done = await share(who.deps, who.actor, slug, { ...place, submission, title, doc, private: false });
  return done.ok ? shared(done.value.post) : back({ answer: done.failure.code });
}

/** Shares a post: as JSON from the editor, or as the plain form that works without scripts. */
export const POST = byContent(
  json('share', sharing, async ({ who, params: { slug }, input }) => {
    const shared = await share(who.deps, who.actor, slug, input);
    // Refused, but not lost: what was written stays as the draft.
    if (!shared.ok) await keep(who, slug, { ...input, base: 0 });
    return shared;
  }),
  form<'slug'>(
    'share',
    ({ slug }) => discussionAt(slug),
    async ({ who, params: { slug }, fields }) => {
      const read = fieldsSchema.safeParse({
        ...Object.fromEntries(fields),
        parent: fields.get('parent'),
        text: fields.getAll('text'),
      });
      return read.success
        ? shareFields(who, slug, read.data)
        : seeOther(discussionAt(slug, { answer: 'document-malformed' }));
    },
  ),
);
