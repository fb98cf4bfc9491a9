import { standInKeys } from '@/runtime/sign-on-site';
import { content } from '../../_request/endpoint';

/** The keys that the stand-in sign-on signs with. */
export const GET = content('see the college’s sign-on', async () => {
  const keys = await standInKeys();
  return keys ? Response.json(keys) : new Response('There is no stand-in sign-on here.\n', { status: 404 });
});
