import { changeDiscussionFeed } from '@/server/discussions/feed';
import { requireVisitor } from '../../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Makes the secret address of a discussion's feed, or stops it: a plain form. */
export async function POST(request: Request, context: Context) {
  const { slug } = await context.params;
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const page = `/discussions/${slug}/take-along`;
  const who = await requireVisitor(page);
  const wish = (await bodyFields(request)).get('do');
  if (wish !== 'make' && wish !== 'revoke') return seeOther(page);
  await changeDiscussionFeed(who.deps, who.actor, slug, wish);
  return seeOther(`${page}?answer=${wish === 'make' ? 'feed' : 'revoked'}`);
}
