import { z } from 'zod';
import type { MediaSite } from '@/core/embeds/address';

/** What a site says of one of its pages. */
export type Said = { title: string; frame: string };

/** A media site as the server knows it: how it is asked about a page, and where its players may be. */
export type AskedSite = MediaSite & {
  /** The hosts that its players come from; `self` for Pulpit's own stand-in. */
  frames: readonly string[];
  ask: (url: string) => Promise<Said | null>;
};

const host = z.string().regex(/^[a-z0-9.-]+$/u);
/** The college's list: each site with its hosts, its oEmbed address and the hosts of its players. */
export const siteList = z.array(
  z.strictObject({
    name: z.string().min(1).max(80),
    hosts: z.array(host).min(1),
    oembed: z.url(),
    frames: z.array(host).min(1),
  }),
);

const answer = z.object({
  type: z.enum(['video', 'rich']),
  title: z.string().default(''),
  html: z.string().max(20_000),
});
const TIMEOUT_MS = 5_000;
const MOST_BYTES = 64_000;

/** The address of the player in what a site says is its embed code. */
const frameIn = (html: string): string | null =>
  /<iframe\b[^>]*?\ssrc\s*=\s*(?:"([^"]*)"|'([^']*)')/iu
    .exec(html)
    ?.slice(1)
    .find(Boolean)
    ?.replace(/&amp;/gu, '&')
    .replace(/^\/\//u, 'https://') ?? null;

/** Asks a site of the list about one of its pages (oEmbed 1.0). Null where it has no player for it, or does not answer. */
async function askSite(site: z.infer<typeof siteList>[number], url: string): Promise<Said | null> {
  const address = new URL(site.oembed);
  address.searchParams.set('format', 'json');
  address.searchParams.set('url', url);
  try {
    const response = await fetch(address, { redirect: 'error', signal: AbortSignal.timeout(TIMEOUT_MS) });
    if (!response.ok || !response.body) return null;
    let text = '';
    const decoder = new TextDecoder();
    for await (const piece of response.body) {
      text += decoder.decode(piece as Uint8Array, { stream: true });
      if (text.length > MOST_BYTES) return null;
    }
    const said = answer.safeParse(JSON.parse(text));
    const frame = said.success ? frameIn(said.data.html) : null;
    if (!said.success || !frame) return null;
    return { title: said.data.title.slice(0, 200), frame };
  } catch {
    // No answer, no JSON, or a redirect: the link stays a link.
    return null;
  }
}

/** Whether a player may be shown for a site: over TLS, and from one of the hosts the list names. */
export function isFrameOf(site: AskedSite, frame: string): boolean {
  if (site.frames.includes('self')) return /^\/media-site\/player\/[a-z0-9-]+$/u.test(frame);
  try {
    const url = new URL(frame);
    return url.protocol === 'https:' && !url.username && site.frames.includes(url.hostname);
  } catch {
    return false;
  }
}

export const listedSites = (list: z.infer<typeof siteList>): AskedSite[] =>
  list.map((site) => ({ ...site, ask: (url) => askSite(site, url) }));
