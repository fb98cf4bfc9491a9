import { content } from '../_request/endpoint';

/** Whether this process lives: for who starts it again where it does not. What it needs, `/ready` tells. */
export const GET = content('watch the server', async () => Promise.resolve(new Response('well\n')));

export const dynamic = 'force-dynamic';
