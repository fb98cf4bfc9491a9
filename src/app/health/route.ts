import { app } from '@/runtime/app';
import { content } from '../_request/endpoint';

/** Whether this process can reach its database: for `./pulpit status` and whoever watches the server. */
export const GET = content(async () => {
  try {
    await app().db.raw('select 1');
    return new Response('well\n');
  } catch {
    return new Response('no database\n', { status: 503 });
  }
});

export const dynamic = 'force-dynamic';
