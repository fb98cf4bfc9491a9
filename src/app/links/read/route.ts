import { readingLink, type LinkRead } from '@/contract/links';
import { ok } from '@/core/result';
import { resolveEmbed } from '@/server/embeds/resolve';
import { asking } from '@/server/links/allowance';
import { titleOf } from '@/server/links/title';
import { json } from '../../_request/endpoint';
import { withSites } from '../../_request/session';

/** What a pasted link is: something to be played where it stands, or a page with a title. */
export const POST = json('ask about a link', readingLink, async ({ who, input: { url } }) => {
  const told = await asking(who.actor.id, 1, performance.now(), async (): Promise<LinkRead> => {
    const embed = await resolveEmbed(withSites(who.deps), url);
    return embed
      ? { kind: 'player', title: embed.title, site: embed.site }
      : { kind: 'page', title: await titleOf(url) };
  });
  // A link that nobody asked about stays as it was pasted.
  return ok(told ?? { kind: 'page' as const, title: null });
});
