import { z } from 'zod';
import { putAway } from '@/server/outside/confirm';
import { requireVisitor } from '../../../_request/session';
import { fromOwnPages, seeOther } from '../../../_request/write';

/** Puts away a prompt that was brought in and never confirmed. */
export async function POST(request: Request, context: { params: Promise<{ id: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { id } = await context.params;
  const who = await requireVisitor('/outside/new');
  if (z.uuid().safeParse(id).success) await putAway(who.deps, who.actor, id);
  return seeOther('/outside/new');
}
