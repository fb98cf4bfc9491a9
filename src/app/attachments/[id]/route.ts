import { givingUp, PIECE_BYTES, sendingPiece } from '@/contract/files';
import { fail, ok } from '@/core/result';
import { readableFile } from '@/server/files/read';
import { cancelUpload, takePiece } from '@/server/files/receive';
import type { Span } from '@/server/files/store';
import { app } from '@/runtime/app';
import { disposition } from '../../_request/disposition';
import { content, json } from '../../_request/endpoint';
import { withFiles } from '../../_request/session';
import { bodyBytes } from '../../_request/write';

/** The first range a request asks for (RFC 9110, 14.1.2): null for all of it, `outside` where nothing of it is there. */
function rangeOf(header: string | null, bytes: number): Span | 'outside' | null {
  const m = /^bytes=(\d*)-(\d*)$/u.exec(header?.trim() ?? '');
  if (!m || (!m[1] && !m[2])) return null;
  const first = m[1] ? Number(m[1]) : Math.max(0, bytes - Number(m[2]));
  const last = m[1] && m[2] ? Math.min(Number(m[2]), bytes - 1) : bytes - 1;
  return first > last || first >= bytes ? 'outside' : { first, last };
}

/** What a browser may show itself. Everything else is saved, and nothing is ever run or guessed at. */
const SHOWN = /^(?:image\/webp|audio\/[a-z0-9.+-]+|video\/[a-z0-9.+-]+)$/u;

/** A file of a post or a draft, for those who may read that. */
export const GET = content<'id'>('see a file', async ({ visitor, params, request }) => {
  const who = await visitor();
  const found = who ? await readableFile(withFiles(who.deps), who.actor, params.id) : null;
  if (!found?.ok) return new Response('There is no such file for you.\n', { status: 404 });
  const { sha256, name, mediaType, bytes } = found.value;
  const headers: Record<string, string> = {
    'content-type': mediaType === 'text/plain' ? 'text/plain; charset=utf-8' : mediaType,
    'content-disposition': disposition(SHOWN.test(mediaType) ? 'inline' : 'attachment', name),
    'content-security-policy': "default-src 'none'; sandbox",
    'accept-ranges': 'bytes',
    // Whether one may see it is asked anew each time; the content under a sum never changes.
    'cache-control': 'private, no-cache',
    etag: `"${sha256}"`,
  };
  if (request.headers.get('if-none-match') === headers.etag)
    return new Response(null, { status: 304, headers });
  const range = rangeOf(request.headers.get('range'), bytes);
  if (range === 'outside')
    return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes}` } });
  const content = await app().files.read(sha256, range ?? undefined);
  if (!range) return new Response(content, { headers: { ...headers, 'content-length': String(bytes) } });
  return new Response(content, {
    status: 206,
    headers: {
      ...headers,
      'content-length': String(range.last - range.first + 1),
      'content-range': `bytes ${range.first}-${range.last}/${bytes}`,
    },
  });
});

/** The next piece of one's file: its bytes as the body, where it belongs in the address. */
export const PUT = json('keep one’s files', sendingPiece, async ({ who, params, request }) => {
  const from = Number(new URL(request.url).searchParams.get('from'));
  const piece = Number.isSafeInteger(from) && from >= 0 ? await bodyBytes(request, PIECE_BYTES) : null;
  if (!piece) return fail({ code: 'piece-too-large' });
  return takePiece(withFiles(who.deps), who.actor, params.id, from, piece);
});

/** Gives up a file that is still coming in. */
export const DELETE = json('keep one’s files', givingUp, async ({ who, params }) => {
  const given = await cancelUpload(withFiles(who.deps), who.actor, params.id);
  return given.ok ? ok(null) : given;
});
