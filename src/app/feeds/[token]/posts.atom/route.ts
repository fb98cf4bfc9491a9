import { postsStreamAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { atomText } from '@/server/discussions/atom';
import { readDiscussionFeed } from '@/server/discussions/feed';
import { feedWords } from '@/ui/words/export';
import { feedAnswer } from '../../../_request/feed';
import { originOf } from '../../../_request/origin';
import { content } from '../../../_request/endpoint';

/** A discussion's newest posts as an Atom feed, for whoever knows the secret address: what its owner may read. */
export const GET = content<'token'>('read a feed by its address', async ({ params: { token }, request }) => {
  const { db, clock } = app();
  const feed = await readDiscussionFeed(db, clock, token);
  if (!feed.ok) return new Response('There is no such feed, or its address was replaced.\n', { status: 404 });
  const origin = originOf(request.headers);
  const text = atomText(feed.value, { origin, self: origin + postsStreamAt(token) }, feedWords);
  return feedAnswer(request, text, { 'content-type': 'application/atom+xml; charset=utf-8' });
});
