import { postId } from '@/core/ids';
import { issueReceipt } from '@/server/receipts/issue';
import { numberOf } from '../../../_request/write';
import { content } from '../../../_request/endpoint';
import { withBox } from '../../../_request/session';

/** The signed receipt of one's own post as a file. */
export const GET = content<'post'>('have a receipt', async ({ visitor, params: { post }, request }) => {
  const who = await visitor();
  if (!who) return new Response('Sign in to get your receipt.\n', { status: 401 });
  const number = numberOf(post);
  const version = new URL(request.url).searchParams.get('version') ?? '';
  const issued = await issueReceipt(
    withBox(who.deps),
    who.actor,
    postId(number),
    /^\d{1,6}$/u.test(version) ? Number(version) : null,
  );
  if (!issued.ok) return new Response('There is no such post of yours.\n', { status: 404 });
  return new Response(`${JSON.stringify(issued.value.file, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="receipt-${number}.json"`,
      'cache-control': 'private, no-store',
    },
  });
});
