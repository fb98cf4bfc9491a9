import { resolve } from 'node:path';
import { app } from '@/runtime/app';
import { readiness } from '@/server/setup/readiness';
import { content } from '../_request/endpoint';

/** Whether everything is there that people need: for who sends them here, and for `./pulpit start`. */
export const GET = content('watch the server', async () => {
  const { db, config } = app();
  const found = await readiness(db, resolve(config.filesFolder));
  return Response.json(found, { status: found.ready ? 200 : 503, headers: { 'cache-control': 'no-store' } });
});

export const dynamic = 'force-dynamic';
