import { visibleClip } from '@/server/clips/look';
import { content } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** What is said in a clip, as WebVTT, for those who may see it. */
export const GET = content<'id'>('see a file', async ({ visitor, params }) => {
  const who = await visitor();
  const found = who ? await visibleClip(withFiles(who.deps), who.actor, params.id) : null;
  const captions = found?.ok ? found.value.captions : null;
  if (captions === null) return new Response('There are no such captions for you.\n', { status: 404 });
  return new Response(captions, {
    headers: {
      'content-type': 'text/vtt; charset=utf-8',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': 'private, no-cache',
    },
  });
});
