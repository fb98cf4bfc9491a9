import { lookup } from 'node:dns/promises';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import { request as httpsRequest } from 'node:https';
import ipaddr from 'ipaddr.js';

export type LinkWorld = {
  /** The addresses of a host's name; rejects with `code: 'ENOTFOUND'` where there is no such name. */
  resolve: (host: string) => Promise<string[]>;
  /** Whether an address may be asked: never one of a private network. */
  mayAsk: (address: string) => boolean;
};

export const TIMEOUT_MS = 5_000;
export const MOST_REDIRECTS = 3;

/** Where clouds tell a machine its secrets, on addresses that look public. */
const METADATA = new Set([
  '168.63.129.16',
  '100.100.100.200',
  '192.0.0.192',
  'fd00:ec2::254',
  'fd20:ce::254',
]);

/** Only addresses of the public internet: not this machine, not its networks, not what maps onto them. */
export function isPublic(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  const parsed = ipaddr.process(address);
  if (parsed.range() !== 'unicast') return false;
  if (parsed.kind() === 'ipv4') return !METADATA.has(parsed.toString());
  // An IPv4 address in the last half of an IPv6 one, however it is written, is that address (RFC 4291, 2.5.5.1: "::7f00:1").
  const parts = (parsed as ipaddr.IPv6).parts;
  if (parts.slice(0, 6).every((part) => part === 0)) return false;
  return !METADATA.has(parsed.toString());
}

export const theWorld: LinkWorld = {
  resolve: async (host) => (await lookup(host, { all: true })).map((a) => a.address),
  mayAsk: isPublic,
};

export class Refused extends Error {}

/** Looks a name up; each of its addresses must be one that may be asked, or none is. */
async function addressOf(host: string, world: LinkWorld): Promise<string> {
  const bare = host.replace(/^\[|\]$/gu, '');
  const addresses = ipaddr.isValid(bare) ? [bare] : await world.resolve(bare);
  const [first] = addresses;
  if (!first || !addresses.every(world.mayAsk)) throw new Refused('private');
  return first;
}

export type Answer = {
  status: number;
  location: string | undefined;
  type: string;
  body: Buffer;
  /** What tells this copy from a later one (RFC 9110, 8.8). */
  etag: string | null;
  modified: string | null;
};

/** The beginning of what an answer says, and no more of it than was asked for. */
async function beginning(response: IncomingMessage, most: number): Promise<Buffer> {
  const pieces: Buffer[] = [];
  let length = 0;
  if (most > 0)
    for await (const piece of response) {
      pieces.push(piece as Buffer);
      length += (piece as Buffer).length;
      if (length >= most) break;
    }
  response.destroy();
  return Buffer.concat(pieces).subarray(0, most);
}

/** An answer, or the reason of a signal that comes before it: a name may take longer to look up than all else together. */
const within = <T>(work: Promise<T>, signal: AbortSignal): Promise<T> =>
  new Promise((resolve, reject) => {
    const over = () => reject(signal.reason as Error);
    if (signal.aborted) over();
    signal.addEventListener('abort', over, { once: true });
    work.then(resolve, reject).finally(() => signal.removeEventListener('abort', over));
  });

/** Asks one address, and the very one that was looked at: a name that changes its mind meanwhile changes nothing. */
export async function askOnce(
  url: URL,
  how: { method: 'HEAD' | 'GET'; most: number; headers?: Record<string, string> },
  world: LinkWorld,
  signal: AbortSignal,
): Promise<Answer> {
  const address = await within(addressOf(url.hostname, world), signal);
  const send = url.protocol === 'https:' ? httpsRequest : httpRequest;
  return new Promise<Answer>((resolve, reject) => {
    const request = send(
      {
        host: address,
        servername: url.hostname,
        port: url.port || undefined,
        path: `${url.pathname}${url.search}`,
        method: how.method,
        headers: { host: url.host, 'user-agent': 'Pulpit', accept: '*/*', ...how.headers },
        signal,
      },
      (response) => {
        const {
          location,
          'content-type': type = '',
          etag = null,
          'last-modified': modified = null,
        } = response.headers;
        beginning(response, how.most).then(
          (body) => resolve({ status: response.statusCode ?? 0, location, type, body, etag, modified }),
          reject,
        );
      },
    );
    request.on('error', reject);
    request.end();
  });
}

export function urlOf(text: string, base?: URL): URL | null {
  try {
    const url = new URL(text, base);
    return ['http:', 'https:'].includes(url.protocol) && !url.username && !url.password ? url : null;
  } catch {
    return null;
  }
}
