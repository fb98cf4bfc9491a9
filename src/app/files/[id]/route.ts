import { courseFileAt } from '@/contract/addresses';
import { courseFile } from '@/server/courses/files';
import { disposition } from '../../_request/disposition';
import { ownContent } from '../../_request/endpoint';

/** A course file, always as something to save and never as a page of ours. */
export const GET = ownContent<'id'>(
  'see a file',
  ({ id }) => courseFileAt(id),
  async ({ who, params: { id } }) => {
    const found = await courseFile(who.deps, who.actor, id);
    if (!found.ok) return new Response('There is no such file for you.\n', { status: 404 });
    const { name, mediaType, content } = found.value;
    return new Response(new Uint8Array(content), {
      headers: {
        'content-type': `${mediaType}; charset=utf-8`,
        'content-disposition': disposition('attachment', name),
        'x-content-type-options': 'nosniff',
        'content-security-policy': "default-src 'none'; sandbox",
        'cache-control': 'private, max-age=300',
      },
    });
  },
);
