import { lookup } from 'node:dns/promises';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import { request as httpsRequest } from 'node:https';
import ipaddr from 'ipaddr.js';

/** What became of asking for a link. Only `error` says that the link itself is wrong. */
export type LinkAnswer =
  | { state: 'good' }
  | { state: 'error'; status: number }
  | { state: 'not-found-name' }
  | { state: 'private' }
  | { state: 'no-answer' };

export type LinkWorld = {
  /** The addresses of a host's name; rejects with `code: 'ENOTFOUND'` where there is no such name. */
  resolve: (host: string) => Promise<string[]>;
  /** Whether an address may be asked: never one of a private network. */
  mayAsk: (address: string) => boolean;
};

const TIMEOUT_MS = 5_000;
const MOST_REDIRECTS = 3;

/** Only addresses of the public internet: not this machine, not its networks, not what maps onto them. */
export function isPublic(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  const parsed = ipaddr.process(address);
  return parsed.range() === 'unicast';
}

export const theWorld: LinkWorld = {
  resolve: async (host) => (await lookup(host, { all: true })).map((a) => a.address),
  mayAsk: isPublic,
};

class Refused extends Error {}

/** Looks a name up; each of its addresses must be one that may be asked, or none is. */
async function addressOf(host: string, world: LinkWorld): Promise<string> {
  const bare = host.replace(/^\[|\]$/gu, '');
  const addresses = ipaddr.isValid(bare) ? [bare] : await world.resolve(bare);
  const [first] = addresses;
  if (!first || !addresses.every(world.mayAsk)) throw new Refused('private');
  return first;
}

/** Asks one address, and the very one that was looked at: a name that changes its mind meanwhile changes nothing. */
async function ask(url: URL, method: 'HEAD' | 'GET', world: LinkWorld, signal: AbortSignal) {
  const address = await addressOf(url.hostname, world);
  const send = url.protocol === 'https:' ? httpsRequest : httpRequest;
  return new Promise<IncomingMessage>((resolve, reject) => {
    const request = send(
      {
        host: address,
        servername: url.hostname,
        port: url.port || undefined,
        path: `${url.pathname}${url.search}`,
        method,
        headers: { host: url.host, 'user-agent': 'Pulpit link check', accept: '*/*' },
        signal,
      },
      (response) => {
        // What the page says is nobody's business here.
        response.destroy();
        resolve(response);
      },
    );
    request.on('error', reject);
    request.end();
  });
}

function urlOf(text: string, base?: URL): URL | null {
  try {
    const url = new URL(text, base);
    return ['http:', 'https:'].includes(url.protocol) && !url.username && !url.password ? url : null;
  } catch {
    return null;
  }
}

async function follow(
  url: URL,
  method: 'HEAD' | 'GET',
  world: LinkWorld,
  signal: AbortSignal,
  left: number,
): Promise<LinkAnswer> {
  const response = await ask(url, method, world, signal);
  const status = response.statusCode ?? 0;
  const { location } = response.headers;
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
