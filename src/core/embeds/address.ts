import { safeHref } from '../document/limits';
import type { BlockNode, Embed } from '../document/nodes';

const web = (text: string): string | null => {
  const address = text.trim().replace(/^\/\//u, 'https://').replace(/&amp;/gu, '&');
  return /^https?:/iu.test(address) && safeHref.safeParse(address).success ? address : null;
};

/**
 * The one address that a pasted text is about: the text itself, or what embed code shows or links. Null for a text that is
 * anything else. The code is only read for its address; nothing of it stays.
 *
 * @example pastedAddress('<iframe src="https://media.example/player/7"></iframe>') // 'https://media.example/player/7'
 */
export function pastedAddress(text: string): string | null {
  const said = text.trim();
  if (said.length > 20_000) return null;
  if (!/\s/u.test(said) && /^https?:\/\//iu.test(said)) return web(said);
  if (!/^<(?:iframe|embed|object|video|blockquote|div|script)\b[\s\S]*>$/iu.test(said)) return null;
  const shown = /<(?:iframe|embed|video|source)\b[^>]*?\ssrc\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s>]+))/iu.exec(
    said,
  );
  const linked = /<a\b[^>]*?\shref\s*=\s*(?:"([^"]*)"|'([^']*)')/iu.exec(said);
  for (const found of [shown, linked]) {
    const address = web(found?.slice(1).find(Boolean) ?? '');
    if (address) return address;
  }
  return null;
}

/** A site whose pages may be shown as players. */
export type MediaSite = {
  name: string;
  /** Its hosts, each with the hosts below it. */
  hosts: readonly string[];
};

const belongs = (host: string, to: string) => host === to || host.endsWith(`.${to}`);

/**
 * The site of the college's list that an address is on.
 * @example siteOf('https://media.example/v/1', [{ hosts: ['media.example'], … }]) // that site
 */
export function siteOf<T extends MediaSite>(address: string, sites: readonly T[]): T | null {
  const host = /^https?:\/\/([^/?#:@]+)(?::\d+)?(?:[/?#]|$)/iu.exec(address)?.[1]?.toLowerCase();
  return host ? (sites.find((s) => s.hosts.some((h) => belongs(host, h))) ?? null) : null;
}

/**
 * A player as a link: what stays of it where nothing plays.
 * @example a player "The breach" becomes a paragraph with the link "The breach"
 */
export const asLink = ({ attrs }: Embed): Extract<BlockNode, { type: 'paragraph' }> => ({
  type: 'paragraph',
  content: [
    {
      type: 'text',
      text: attrs.title || attrs.url,
      marks: [{ type: 'link', attrs: { href: attrs.url } }],
    },
  ],
});
