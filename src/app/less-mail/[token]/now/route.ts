import { lessMailAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { lessMail } from '@/server/notices/rules';
import { content } from '../../../_request/endpoint';
import { strangerDeps } from '../../../_request/session';
import { seeOther } from '../../../_request/write';

const wentWell = 'No mail of this kind is sent to you any more. It stands in Pulpit as before.\n';

/** A mail program's one press (RFC 8058, 3.1), or the button of the page: by what stands in the address alone. */
export const POST = content<'token'>('want less mail', async ({ params, request }) => {
  const done = await lessMail({ ...(await strangerDeps()), box: app().box }, params.token);
  if (!done.ok) return new Response('This address does not work.\n', { status: 404 });
  const page = request.headers.get('accept')?.includes('text/html');
  return page ? seeOther(lessMailAt(params.token, { done: 'yes' })) : new Response(wentWell);
});
