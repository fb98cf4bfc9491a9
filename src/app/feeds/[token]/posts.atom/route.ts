import { createHash } from 'node:crypto';
import { app } from '@/runtime/app';
import { atomText } from '@/server/discussions/atom';
import { readDiscussionFeed } from '@/server/discussions/feed';
import { feedWords } from '@/ui/words/export';
import { originOf } from '../../../_request/origin';
import { unexpected } from '../../../_request/write';

type Context = { params: Promise<{ token: string }> };

/** A discussion's newest posts as an Atom feed, for whoever knows the secret address: what its owner may read. */
export async function GET(request: Request, context: Context) {
  const { token } = await context.params;
  const { db, clock } = app();
  try {
    const feed = await readDiscussionFeed(db, clock, token);
    if (!feed.ok)
      return new Response('There is no such feed, or its address was replaced.\n', { status: 404 });
    const text = atomText(feed.value, originOf(request.headers), feedWords);
    const etag = `"${createHash('sha256').update(text).digest('hex').slice(0, 32)}"`;
    const headers = {
      'content-type': 'application/atom+xml; charset=utf-8',
      'cache-control': 'private, no-cache',
      'x-robots-tag': 'noindex',
      etag,
    };
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
    return new Response(text, { headers });
  } catch (error) {
    const { id } = unexpected(error);
    return new Response(`The feed cannot be read just now. Try again later (${id}).\n`, { status: 503 });
  }
}
