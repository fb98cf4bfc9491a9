import { content } from '../../_request/endpoint';
import { unseenNotices } from '../../_request/session';

/** How many notices somebody has not seen, for pages that have been open for a while; null where nobody is signed in. */
export const GET = content('watch the server', async () =>
  Response.json({ n: await unseenNotices() }, { headers: { 'cache-control': 'no-store' } }),
);

export const dynamic = 'force-dynamic';
