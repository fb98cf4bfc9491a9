import { app } from '@/runtime/app';
import { visibleClip } from '@/server/clips/look';
import { content } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** A picture of a clip, for those who may see it. */
export const GET = content<'id'>('see a file', async ({ visitor, params }) => {
  const who = await visitor();
  const found = who ? await visibleClip(withFiles(who.deps), who.actor, params.id) : null;
  const poster = found?.ok ? found.value.poster : null;
  if (!poster) return new Response('There is no such picture for you.\n', { status: 404 });
  return new Response(await app().files.read(poster), {
    headers: {
      'content-type': 'image/webp',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': 'private, no-cache',
      etag: `"${poster}"`,
    },
  });
});
