import { asLink, pastedAddress, siteOf } from '@/core/embeds/address';
import { attachmentsIn } from '@/core/document/attachments';
import { mapLeaves } from '@/core/document/blocks';
import type { BlockNode, Doc, Embed } from '@/core/document/nodes';
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
export async function sanitiseEmbeds(deps: Pick<Deps, 'db'>, doc: Doc): Promise<Doc> {
  const urls = attachmentsIn(doc).flatMap(({ node }) => (node.type === 'embed' ? [node.attrs.url] : []));
  if (urls.length === 0) return doc;
  const known = new Map((await knownEmbeds(deps.db, urls)).map((e) => [e.url, e]));
  const sanitised = (node: Embed) => {
    const found = known.get(node.attrs.url);
    const { url } = node.attrs;
    return found ? { ...node, attrs: { url, title: found.title, site: found.site } } : asLink(node);
  };
  return {
    type: 'doc',
    content: mapLeaves(doc.content, (node) => [node.type === 'embed' ? sanitised(node) : node]),
  };
}

/** The address of a paragraph that is nothing but one link. */
function onlyLink(node: BlockNode): string | null {
  const [only, ...more] = node.type === 'paragraph' ? (node.content ?? []) : [];
  if (more.length || only?.type !== 'text') return null;
  return only.marks?.find((m) => m.type === 'link')?.attrs.href ?? (pastedAddress(only.text) || null);
}

const MOST_PLAYERS = 20;

/** A text in which a link that stands alone, to a page of a listed site, is that page's player. */
export async function withPlayers(deps: EmbedDeps, doc: Doc): Promise<Doc> {
  const links = doc.content.flatMap((node) => onlyLink(node) ?? []).filter((url) => siteOf(url, deps.sites));
  const players = new Map<string, EmbedRecord>();
  for (const url of [...new Set(links)].slice(0, MOST_PLAYERS)) {
    const found = await resolveEmbed(deps, url);
    if (found) players.set(url, found);
  }
  return {
    type: 'doc',
    content: doc.content.map((node) => {
      const found = players.get(onlyLink(node) ?? '');
      return found
        ? { type: 'embed', attrs: { url: found.url, title: found.title, site: found.site } }
        : node;
    }),
  };
}
