import { strangerDeps } from '../_request/session';
import { content } from '../_request/endpoint';

/** What time it is: the server's, for pages that have been open for a while. */
export const GET = content('watch the server', async () => {
  const { now } = await strangerDeps();
  return Response.json({ now }, { headers: { 'cache-control': 'no-store' } });
});

export const dynamic = 'force-dynamic';
