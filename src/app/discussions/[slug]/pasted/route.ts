import { typedWall } from '@/core/deadlines/typed';
import { pastedPostSchema, pastePost } from '@/server/outside/posts';
import { requireVisitor } from '../../../_request/session';
import { uploadedForm } from '../../../_request/upload';
import { fromOwnPages, seeOther } from '../../../_request/write';

/** Puts a classmate's post that was copied from elsewhere into an outside discussion. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const room = `/discussions/${slug}/conversation`;
  const who = await requireVisitor(room);
  const { fields } = await uploadedForm(request, { files: 0, fileBytes: 0, fieldBytes: 2_000_000 });
  const answers = fields.get('answers') ?? '';
  const read = pastedPostSchema.safeParse({
    name: fields.get('name') ?? '',
    staff: fields.get('staff') !== null,
    text: (fields.get('text') ?? '').replace(/\u0000/gu, ''),
    html: (fields.get('html') ?? '').replace(/\u0000/gu, ''),
    answers: /^\d+$/u.test(answers) ? Number(answers) : null,
    postedAt: typedWall(fields.get('postedAt') ?? '').slice(0, 16) || null,
  });
  const back = (code: string) => seeOther(`${room}?paste=${answers || 'response'}&answer=${code}`);
  if (!read.success) {
    const long = (fields.get('text') ?? '').length > 400_000;
    return back(long ? 'text-too-long' : 'nothing-written');
  }
  const pasted = await pastePost(who.deps, who.actor, slug, read.data);
  return pasted.ok ? seeOther(`${room}?post=${pasted.value.post}`) : back(pasted.failure.code);
}
