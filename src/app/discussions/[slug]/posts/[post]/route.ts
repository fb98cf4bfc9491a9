import { z } from 'zod';
import { conversationAt, editPostAt, responseAt } from '@/contract/addresses';
import { changing } from '@/contract/writing';
import { postId } from '@/core/ids';
import { changePost } from '@/server/posts/change';
import { composeFromForm } from '@/server/posts/compose-form';
import { form, json } from '../../../../_request/endpoint';
import { numberOf, seeOther } from '../../../../_request/write';

/** Changes a shared post of one's own. */
export const PUT = json('change a post', changing, ({ who, params, input }) =>
  changePost(who.deps, who.actor, params.slug, postId(numberOf(params.post)), input),
);

const fieldsSchema = z.object({
  kind: z.enum(['response', 'reply']),
  parent: z.coerce.number().int().positive().nullable(),
  submission: z.uuid(),
  title: z.string().max(200).default(''),
  text: z.array(z.string()).max(20),
  n: z.coerce.number().int().positive(),
});

/** The same by the plain form that works without scripts. */
export const POST = form<'slug' | 'post'>(
  'change a post',
  ({ slug, post }) => editPostAt(slug, numberOf(post)),
  async ({ who, params, fields }) => {
    const { slug } = params;
    const id = postId(numberOf(params.post));
    const back = (answer: string) => seeOther(editPostAt(slug, id, { answer }));
    const read = fieldsSchema.safeParse({
      ...Object.fromEntries(fields),
      parent: fields.get('parent'),
      text: fields.getAll('text'),
    });
    if (!read.success) return back('document-malformed');
    const text = await composeFromForm(who.deps, who.actor, slug, { ...read.data, base: 0 });
    if (!text.ok) return back(text.failure.code);
    const { title, doc } = text.value;
    const changed = await changePost(who.deps, who.actor, slug, id, { title, doc, n: read.data.n });
    if (!changed.ok) return back(changed.failure.code);
    const answer = 'changed';
    return seeOther(
      read.data.kind === 'response'
        ? responseAt(slug, { answer })
        : conversationAt(slug, { post: id, answer }),
    );
  },
);
