import { markRead, readingInputSchema } from '@/server/discussions/reading';
import { requireVisitor, visitor } from '../../../_request/session';
import {
  bodyFields,
  fromOwnPages,
  isJson,
  jsonBody,
  localPath,
  numberOf,
  seeOther,
  unexpected,
} from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Marks posts as read or unread: as JSON while one reads, or "all read" as a plain form. */
export async function POST(request: Request, context: Context) {
  const { slug } = await context.params;
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  if (!isJson(request)) {
    const who = await requireVisitor(`/discussions/${slug}`);
    const fields = await bodyFields(request);
    const to = localPath(fields.get('to') ?? `/discussions/${slug}/conversation`);
    const at = numberOf(fields.get('undo') ?? '');
    const marked = await markRead(
      who.deps,
      who.actor,
      slug,
      at ? { at, read: false } : { posts: 'all', read: true },
    );
    if (at || !marked.ok || marked.value.at === null) return seeOther(to);
    const back = new URL(to, request.url);
    back.searchParams.set('marked', String(marked.value.at));
    return seeOther(`${back.pathname}${back.search}`);
  }
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const read = readingInputSchema.safeParse(await jsonBody(request));
    if (!read.success) return Response.json({ ok: false, code: 'malformed' }, { status: 422 });
    const marked = await markRead(who.deps, who.actor, slug, read.data);
    return marked.ok
      ? Response.json({ ok: true, ...marked.value })
      : Response.json({ ok: false, code: marked.failure.code }, { status: 404 });
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
