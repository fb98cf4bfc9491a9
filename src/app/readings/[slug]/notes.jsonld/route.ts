import { readingAt } from '@/contract/addresses';
import { ANNOTATION_TYPE } from '@/core/notes/web-annotation';
import { exportNotes } from '@/server/notes/exchange';
import { originOf } from '../../../_request/origin';
import { ownContent } from '../../../_request/endpoint';

/** The margin notes one may read, as W3C Web Annotations. */
export const GET = ownContent<'slug'>(
  'read a reading',
  ({ slug }) => readingAt(slug),
  async ({ who, params: { slug }, request }) => {
    const found = await exportNotes(who.deps, who.actor, slug, originOf(request.headers));
    if (!found.ok) return new Response('There is no such reading for you.\n', { status: 404 });
    return new Response(`${JSON.stringify(found.value, null, 2)}\n`, {
      headers: {
        'content-type': ANNOTATION_TYPE,
        'content-disposition': `attachment; filename="${slug}-notes.jsonld"`,
      },
    });
  },
);
