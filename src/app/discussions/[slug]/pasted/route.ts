import { conversationAt } from '@/contract/addresses';
import { typedWall } from '@/core/deadlines/typed';
import { pastedPostSchema, pastePost } from '@/server/outside/posts';
import { seeOther } from '../../../_request/write';
import { uploadForm } from '../../../_request/endpoint';

/** Puts a classmate's post that was copied from elsewhere into an outside discussion. */
export const POST = uploadForm<'slug'>(
  'keep an outside discussion',
  { files: 0, fileBytes: 0, fieldBytes: 2_000_000 },
  ({ slug }) => conversationAt(slug),
  async ({ who, params: { slug }, fields }) => {
    const answers = fields.get('answers') ?? '';
    const read = pastedPostSchema.safeParse({
      name: fields.get('name') ?? '',
      staff: fields.get('staff') !== null,
      text: (fields.get('text') ?? '').replace(/\u0000/gu, ''),
      html: (fields.get('html') ?? '').replace(/\u0000/gu, ''),
      answers: /^\d+$/u.test(answers) ? Number(answers) : null,
      postedAt: typedWall(fields.get('postedAt') ?? '').slice(0, 16) || null,
    });
    const back = (code: string) =>
      seeOther(conversationAt(slug, { paste: answers || 'response', answer: code }));
    if (!read.success) {
      const long = (fields.get('text') ?? '').length > 400_000;
      return back(long ? 'text-too-long' : 'nothing-written');
    }
    const pasted = await pastePost(who.deps, who.actor, slug, read.data);
    return pasted.ok
      ? seeOther(conversationAt(slug, { post: pasted.value.post }))
      : back(pasted.failure.code);
  },
);
