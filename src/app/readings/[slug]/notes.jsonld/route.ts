import { ANNOTATION_TYPE } from '@/core/notes/web-annotation';
import { exportNotes } from '@/server/notes/exchange';
import { originOf } from '../../../_request/origin';
import { requireVisitor } from '../../../_request/session';

type Context = { params: Promise<{ slug: string }> };

/** The margin notes one may read, as W3C Web Annotations. */
export async function GET(request: Request, context: Context) {
  const { slug } = await context.params;
  const who = await requireVisitor(`/readings/${slug}`);
  const found = await exportNotes(who.deps, who.actor, slug, originOf(request.headers));
  if (!found.ok) return new Response('There is no such reading for you.\n', { status: 404 });
  return new Response(`${JSON.stringify(found.value, null, 2)}\n`, {
    headers: {
      'content-type': ANNOTATION_TYPE,
      'content-disposition': `attachment; filename="${slug}-notes.jsonld"`,
    },
  });
}
