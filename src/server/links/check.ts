import type { LinkAnswer } from '@/contract/links';
import { askOnce, MOST_REDIRECTS, Refused, theWorld, TIMEOUT_MS, urlOf, type LinkWorld } from './ask';

async function follow(
  url: URL,
  method: 'HEAD' | 'GET',
  world: LinkWorld,
  signal: AbortSignal,
  left: number,
): Promise<LinkAnswer> {
  // What the page says is nobody's business here.
  const { status, location } = await askOnce(url, { method, most: 0 }, world, signal);
  if (status >= 300 && status < 400 && location) {
    const next = urlOf(location, url);
    if (!next) return { state: 'private' };
    return left > 0 ? follow(next, method, world, signal, left - 1) : { state: 'no-answer' };
  }
  // Some servers do not know HEAD, or want nothing of it.
  if (method === 'HEAD' && [403, 405, 501].includes(status)) return follow(url, 'GET', world, signal, left);
  // Whoever asks for a name or slows down is there.
  if (status < 400 || [401, 403, 407, 429].includes(status)) return { state: 'good' };
  return { state: 'error', status };
}

/**
 * Whether a link leads anywhere: asked by the server, for a few seconds at most, and never into a private network, also not
 * by way of a redirect or of a name that leads there.
 */
export async function checkLink(text: string, world: LinkWorld = theWorld): Promise<LinkAnswer> {
  const url = urlOf(text);
  if (!url) return { state: 'private' };
  try {
    return await follow(url, 'HEAD', world, AbortSignal.timeout(TIMEOUT_MS), MOST_REDIRECTS);
  } catch (error) {
    if (error instanceof Refused) return { state: 'private' };
    const code = error instanceof Error && 'code' in error ? String(error.code) : '';
    // Whatever else the network says (refused, reset, timed out, a broken certificate): nobody answered.
    return code === 'ENOTFOUND' ? { state: 'not-found-name' } : { state: 'no-answer' };
  }
}
