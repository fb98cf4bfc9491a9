import { thumbnail } from '@/server/files/thumbnail';
import { content } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** A small picture of what a post carries, for those who may read it. */
export const GET = content<'id'>('see a file', async ({ visitor, params, request }) => {
  const who = await visitor();
  const found = who ? await thumbnail(withFiles(who.deps), who.actor, params.id) : null;
  if (!found?.ok) return new Response('There is no such picture for you.\n', { status: 404 });
  const headers = {
    'content-type': 'image/webp',
    'content-security-policy': "default-src 'none'; sandbox",
    'cache-control': 'private, no-cache',
    etag: `"${found.value.sha256} small"`,
  };
  if (request.headers.get('if-none-match') === headers.etag)
    return new Response(null, { status: 304, headers });
  return new Response(new Uint8Array(await found.value.draw()), { headers });
});
