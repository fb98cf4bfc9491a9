import 'server-only';
import { createHash } from 'node:crypto';

/** A feed's text for the program that reads it: private, not to be found, and not sent again where it has not changed. */
export function feedAnswer(request: Request, text: string, headers: Record<string, string>): Response {
  const etag = `"${createHash('sha256').update(text).digest('hex').slice(0, 32)}"`;
  const all = { ...headers, 'cache-control': 'private, no-cache', 'x-robots-tag': 'noindex', etag };
  return request.headers.get('if-none-match') === etag
    ? new Response(null, { status: 304, headers: all })
    : new Response(text, { headers: all });
}
