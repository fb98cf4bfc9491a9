import { responseAt } from '@/contract/addresses';
import { handOver, handOverSchema } from '@/server/drafts/hand-over';
import { form } from '../../../_request/endpoint';
import { seeOther, sentDocument } from '../../../_request/write';

/** Hands a draft to the staff. */
export const POST = form<'slug'>(
  'hand a draft over',
  ({ slug }) => responseAt(slug),
  async ({ who, params: { slug }, fields }) => {
    const given = handOverSchema.safeParse({
      kind: fields.get('kind') ?? 'response',
      parent: fields.get('parent') || null,
      title: fields.get('title') ?? '',
      said: fields.get('said') ?? '',
      doc: sentDocument(fields.get('doc')),
    });
    const done = given.success ? await handOver(who.deps, who.actor, slug, given.data) : null;
    return seeOther(responseAt(slug, { answer: done?.ok ? 'handed' : 'not-handed' }));
  },
);
