import { markPost, markSchema } from '@/server/posts/mark';
import { requireVisitor, visitor } from '../../../../../_request/session';
import {
  bodyFields,
  fromOwnPages,
  isJson,
  jsonBody,
  numberOf,
  said,
  scripted,
  seeOther,
} from '../../../../../_request/write';

type Context = { params: Promise<{ slug: string; post: string }> };

/** "Well said", and what one keeps for oneself: as JSON from the page, or as a plain form. */
export async function POST(request: Request, { params }: Context) {
  const { slug, post } = await params;
  if (isJson(request))
    return scripted(request, visitor, async (who) => {
      const read = markSchema.safeParse(await jsonBody(request));
      if (!read.success) return said({ ok: false, failure: { code: 'malformed' } });
      return said(await markPost(who.deps, who.actor, slug, numberOf(post), read.data));
    });
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const page = `/discussions/${slug}/conversation?post=${numberOf(post)}`;
  const who = await requireVisitor(page);
  const fields = await bodyFields(request);
  const read = markSchema.safeParse({ kind: fields.get('kind'), on: fields.get('on') === 'yes' });
  if (read.success) await markPost(who.deps, who.actor, slug, numberOf(post), read.data);
  return seeOther(page);
}
