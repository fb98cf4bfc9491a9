import { uploadProgress } from '@/server/files/receive';
import { visitor, withFiles } from '../../../_request/session';

type Context = { params: Promise<{ id: string }> };

/** How much of one's file has come in. */
export async function GET(_request: Request, { params }: Context) {
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const progress = await uploadProgress(withFiles(who.deps), who.actor, (await params).id);
  return progress.ok
    ? Response.json({ ok: true, ...progress.value })
    : Response.json({ ok: false, ...progress.failure }, { status: 404 });
}
