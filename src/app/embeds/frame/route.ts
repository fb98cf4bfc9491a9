import { resolveEmbed } from '@/server/embeds/resolve';
import { withSites } from '../../_request/session';
import { content } from '../../_request/endpoint';

const escaped = (text: string) =>
  text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/"/gu, '&quot;');

const page = (body: string, frames: string) =>
  new Response(
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Player</title><style>html,body,iframe{margin:0;width:100%;height:100%;border:0;display:block}p{font:14px sans-serif;padding:12px}</style></head><body>${body}</body></html>`,
    {
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'content-security-policy': `default-src 'none'; style-src 'unsafe-inline'; frame-src ${frames}; frame-ancestors 'self'; base-uri 'none'; form-action 'none'`,
        'referrer-policy': 'no-referrer',
      },
    },
  );

/** A page of its own around a player, so that what plays can reach nothing of Pulpit's, and only its own site's hosts. */
export const GET = content('see a player', async ({ visitor, request }) => {
  const who = await visitor();
  const url = new URL(request.url).searchParams.get('url') ?? '';
  const embed = who ? await resolveEmbed(withSites(who.deps), url) : null;
  if (!embed) return page('<p>This cannot be played here. Open it on its own page instead.</p>', "'none'");
  const own = embed.frame.startsWith('/');
  return page(
    `<iframe src="${escaped(embed.frame)}" title="${escaped(embed.title)}" sandbox="allow-scripts" allow="fullscreen" allowfullscreen referrerpolicy="no-referrer"></iframe>`,
    own ? "'self'" : new URL(embed.frame).origin,
  );
});
