import { app } from '@/runtime/app';

/** Whether this process can reach its database: for `./pulpit status` and whoever watches the server. */
export async function GET() {
  try {
    await app().db.raw('select 1');
    return new Response('well\n');
  } catch {
    return new Response('no database\n', { status: 503 });
  }
}

export const dynamic = 'force-dynamic';
