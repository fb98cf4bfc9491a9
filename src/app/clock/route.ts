import { strangerDeps } from '../_request/session';

/** What time it is: the server's, for pages that have been open for a while. */
export async function GET() {
  const { now } = await strangerDeps();
  return Response.json({ now }, { headers: { 'cache-control': 'no-store' } });
}

export const dynamic = 'force-dynamic';
