import { standInAuthorize } from '@/runtime/sign-on-site';
import { content } from '../../_request/endpoint';

/** The page of the stand-in sign-on, and the way back from it: to another server's address, as it is with any college's. */
export const GET = content('see the college’s sign-on', ({ request }) => {
  const next = standInAuthorize(new URL(request.url).searchParams);
  if (!next) return Promise.resolve(new Response('There is no stand-in sign-on here.\n', { status: 404 }));
  return Promise.resolve(
    'to' in next
      ? new Response(null, { status: 303, headers: { location: next.to } })
      : new Response(next.page, {
          headers: {
            'content-type': 'text/html; charset=utf-8',
            'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
          },
        }),
  );
});
