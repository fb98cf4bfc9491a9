import { estimate } from '@/server/rubric/rubric';
import { requireVisitor } from '../../../_request/session';
import { answered, bodyFields, fromOwnPages } from '../../../_request/write';

/** Keeps a student's own estimate by the rubric. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const page = `/discussions/${slug}/response`;
  const who = await requireVisitor(page);
  const levels = Object.fromEntries(await bodyFields(request));
  const kept = await estimate(who.deps, who.actor, slug, levels);
  return answered(
    request,
    page,
    kept.ok ? { ok: true, code: 'kept' } : { ok: false, code: kept.failure.code },
  );
}
