import { giveMark, markInputSchema } from '@/server/rubric/rubric';
import { requireVisitor } from '../../../_request/session';
import { answered, bodyFields, fromOwnPages } from '../../../_request/write';

/** Staff mark a response by the rubric. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const who = await requireVisitor(`/discussions/${slug}/conversation`);
  const fields = Object.fromEntries(await bodyFields(request));
  const read = markInputSchema.safeParse(fields);
  if (!read.success) return answered(request, '/discussions', { ok: false, code: 'unfinished' });
  const page = `/discussions/${slug}/conversation?post=${read.data.post}`;
  const given = await giveMark(who.deps, who.actor, slug, read.data, fields);
  return answered(
    request,
    page,
    given.ok ? { ok: true, code: 'kept' } : { ok: false, code: given.failure.code },
  );
}
