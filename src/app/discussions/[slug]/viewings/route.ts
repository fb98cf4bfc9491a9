import { tickViewing } from '@/server/rubric/rubric';
import { requireVisitor } from '../../../_request/session';
import { answered, bodyFields, fromOwnPages } from '../../../_request/write';

/** Ticks a viewing of the prompt off, or sets it back. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const page = `/discussions/${slug}/response`;
  const who = await requireVisitor(page);
  const fields = await bodyFields(request);
  const ticked = await tickViewing(
    who.deps,
    who.actor,
    slug,
    fields.get('viewing') ?? '',
    fields.get('done') === 'yes',
  );
  return answered(
    request,
    page,
    ticked.ok ? { ok: true, code: 'kept' } : { ok: false, code: ticked.failure.code },
  );
}
