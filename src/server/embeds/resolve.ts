import { asLink, siteOf } from '@/core/embeds/address';
import { attachmentsIn } from '@/core/posts/attachments';
import { mapLeaves } from '@/core/posts/blocks';
import type { Doc, Embed } from '@/core/posts/document';
import { keepEmbed, knownEmbeds, type EmbedRecord } from '@/db/queries/embeds';
import type { Deps } from '../deps';
import { isFrameOf, type AskedSite } from './sites';

export type EmbedDeps = Deps & { sites: readonly AskedSite[] };

/** The player of an address, asked of its site once and kept. Null for what is on no site of the list, or has none. */
export async function resolveEmbed(deps: EmbedDeps, url: string): Promise<EmbedRecord | null> {
  const site = siteOf(url, deps.sites);
  if (!site) return null;
  const [known] = await knownEmbeds(deps.db, [url]);
  // The list may have changed since it was asked.
  if (known) return isFrameOf(site, known.frame) ? known : null;
  const said = await site.ask(url);
  if (!said || !isFrameOf(site, said.frame)) return null;
  const embed = { url, site: site.name, title: said.title || url.slice(0, 200), frame: said.frame };
  await keepEmbed(deps.db, { ...embed, now: deps.now });
  return embed;
}

/** A text whose players are ones that a site was asked about, with what it said; any other is a link. */
export async function honestEmbeds(deps: Pick<Deps, 'db'>, doc: Doc): Promise<Doc> {
  const urls = attachmentsIn(doc).flatMap(({ node }) => (node.type === 'embed' ? [node.attrs.url] : []));
  if (urls.length === 0) return doc;
  const known = new Map((await knownEmbeds(deps.db, urls)).map((e) => [e.url, e]));
  const honest = (node: Embed) => {
    const found = known.get(node.attrs.url);
    const { url } = node.attrs;
    return found ? { ...node, attrs: { url, title: found.title, site: found.site } } : asLink(node);
  };
  return {
    type: 'doc',
    content: mapLeaves(doc.content, (node) => [node.type === 'embed' ? honest(node) : node]),
  };
}
