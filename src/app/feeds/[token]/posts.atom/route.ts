import { app } from '@/runtime/app';
import { atomText } from '@/server/discussions/atom';
import { readDiscussionFeed } from '@/server/discussions/feed';
import { feedWords } from '@/ui/words/export';
import { feedAnswer } from '../../../_request/feed';
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
    return feedAnswer(request, text, { 'content-type': 'application/atom+xml; charset=utf-8' });
  } catch (error) {
    const { id } = unexpected(error);
    return new Response(`The feed cannot be read just now. Try again later (${id}).\n`, { status: 503 });
  }
}
