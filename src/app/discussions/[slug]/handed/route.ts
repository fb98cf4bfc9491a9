import { responseAt } from '@/contract/addresses';
import { handOver, handOverSchema } from '@/server/drafts/hand-over';
import { form } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** What a script of ours sent of the text; nothing where none did. */
function sent(text: string | null): unknown {
  if (!text) return undefined;
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

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
      doc: sent(fields.get('doc')),
    });
    const done = given.success ? await handOver(who.deps, who.actor, slug, given.data) : null;
    return seeOther(responseAt(slug, { answer: done?.ok ? 'handed' : 'not-handed' }));
  },
);
