import { standInConfiguration } from '@/runtime/sign-on-site';
import { content } from '../../../_request/endpoint';

const NONE = 'There is no stand-in sign-on here.\n';

/** What the stand-in sign-on says of itself (OpenID Connect Discovery, 4). */
export const GET = content('see the college’s sign-on', () => {
  const said = standInConfiguration();
  return Promise.resolve(said ? Response.json(said) : new Response(NONE, { status: 404 }));
});
