import { z } from 'zod';
import { safeHref } from '@/core/posts/document';
import { resolveEmbed } from '@/server/embeds/resolve';
import { asking } from '@/server/links/allowance';
import { titleOf } from '@/server/links/title';
import { visitor, withSites } from '../../_request/session';
import { fromOwnPages, jsonBody } from '../../_request/write';

const asked = z.strictObject({ url: safeHref });

/** What a pasted link is: something to be played where it stands, or a page with a title. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const read = asked.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
  const { url } = read.data;
  const told = await asking(who.actor.id, 1, performance.now(), async () => {
    const embed = await resolveEmbed(withSites(who.deps), url);
    return embed
      ? { kind: 'player', title: embed.title, site: embed.site }
      : { kind: 'page', title: await titleOf(url) };
  });
  // A link that nobody asked about stays as it was pasted.
  return Response.json({ ok: true, ...(told ?? { kind: 'page', title: null }) });
}
