import { find } from '@/server/find/find';
import { visitor } from '../../_request/session';
import { unexpected } from '../../_request/write';

/** What the palette shows while one types. */
export async function GET(request: Request) {
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const typed = new URL(request.url).searchParams.get('q') ?? '';
    const found = await find(who.deps, who.actor, typed);
    return Response.json(found, { headers: { 'cache-control': 'private, no-store' } });
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
