import { standInToken } from '@/runtime/sign-on-site';
import { openForm } from '../../_request/endpoint';

/** Gives the server that asks what a code stands for. */
export const POST = openForm('see the college’s sign-on', async ({ fields }) => {
  const given = await standInToken(fields);
  return given
    ? Response.json(given.body, { status: given.status, headers: { 'cache-control': 'no-store' } })
    : new Response('There is no stand-in sign-on here.\n', { status: 404 });
});
