import { standInPlayer } from '@/runtime/media-site';
import { content } from '../../../_request/endpoint';

/** The stand-in media site's player. */
export const GET = content<'id'>('see a player', async ({ params }) => {
  const html = standInPlayer(params.id);
  return new Response(html ?? 'There is no such film.\n', {
    status: html ? 200 : 404,
    headers: {
      'content-type': html ? 'text/html; charset=utf-8' : 'text/plain; charset=utf-8',
      'content-security-policy':
        "default-src 'none'; script-src 'unsafe-inline'; style-src 'unsafe-inline'; sandbox allow-scripts",
    },
  });
});
