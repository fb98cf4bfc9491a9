import 'server-only';
import { randomUUID } from 'node:crypto';
import { errorForLog, log } from '@/runtime/log';
import { REQUEST } from '@/runtime/peer';
import { hostOf } from './origin';
import { storable } from '@/core/document/document';

/** More than the largest post in JSON; what is larger is not read at all. */
const MAX_BODY = 1_000_000;

/**
 * Whether a request that writes came from our own pages. Cookies are SameSite=Lax; this is the second lock: browsers
 * send Sec-Fetch-Site or Origin with every such request, and a foreign one is refused.
 */
export function fromOwnPages(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin' || site === 'none';
  const origin = request.headers.get('origin');
  const host = hostOf(request.headers);
  if (origin === null) return true;
  return URL.canParse(origin) && new URL(origin).host === host;
}

export const isJson = (request: Request) =>
  (request.headers.get('content-type') ?? '').includes('application/json');

/** The body as text, or null where it is larger than `most` bytes: it is measured while it is read. */
export async function bodyText(request: Request, most = MAX_BODY): Promise<string | null> {
  const bytes = await bodyBytes(request, most);
  return bytes === null ? null : new TextDecoder().decode(bytes);
}

/** The fields of a form that was sent as such; none of a body that is too large. */
export const bodyFields = async (request: Request) =>
  new URLSearchParams(storable((await bodyText(request)) ?? ''));

/** The body's bytes, or null where there are more than `most`: what comes without a length is not read to its end. */
export async function bodyBytes(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const pieces: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let next = await reader?.read(); next && !next.done; next = await reader?.read()) {
    size += next.value.length;
    if (size > most) {
      await reader?.cancel();
      return null;
    }
    pieces.push(next.value);
  }
  return Buffer.concat(pieces, size);
}

/** Back to a page after a form: the browser asks for it anew. Only addresses of our own. */
export const seeOther = (path: string) =>
  new Response(null, { status: 303, headers: { Location: localPath(path) } });

/**
 * An address of our own, as a browser will read it; the first page for any other. What a browser leaves out of an address, a
 * tab or a line's end, is left out here before it is judged.
 */
export function localPath(path: string): string {
  if (!path.startsWith('/') || !URL.canParse(path, NOWHERE)) return '/';
  const { origin, pathname, search, hash } = new URL(path, NOWHERE);
  // A path of two slashes would be another server's name once more.
  return origin === NOWHERE && !/^\/[/\\]/u.test(pathname) ? `${pathname}${search}${hash}` : '/';
}
const NOWHERE = 'http://pulpit.invalid';

/** An unexpected error is logged with the number of its request, and told with that. */
export function unexpected(
  error: unknown,
  request: Pick<Request, 'headers'>,
): { code: 'unexpected'; id: string } {
  const id = request.headers.get(REQUEST) ?? randomUUID().slice(0, 8);
  log.error({ request: id, ...errorForLog(error) });
  return { code: 'unexpected', id };
}

/** The answer to a small form: in JSON for a script that sent it, else back to its page with the code in the address. */
export const answered = (request: Request, page: string, answer: { ok: boolean; code: string }) =>
  (request.headers.get('accept') ?? '').includes('application/json')
    ? Response.json(answer, { status: answer.ok ? 200 : 409 })
    : seeOther(`${page}${page.includes('?') ? '&' : '?'}answer=${answer.code}`);

/** A post's number as an address says it; 0, which no post has, where it says none. */
export const numberOf = (text: string) => (/^\d{1,15}$/u.test(text) ? Number(text) : 0);

/** A document that a script of ours put into a form: nothing where none did, null where it cannot be read. */
export function sentDocument(value: FormDataEntryValue | null | undefined): unknown {
  if (typeof value !== 'string' || value === '') return undefined;
  try {
    return JSON.parse(value);
  } catch {
    return null;
  }
}
