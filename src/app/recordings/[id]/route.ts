import { recordingAt } from '@/contract/addresses';
import { recordingSound } from '@/server/courses/recordings';
import { ownContent } from '../../_request/endpoint';

/** A recording's sound, in the piece that the player asks for (RFC 9110, section 14). */
export const GET = ownContent<'id'>(
  'see a file',
  ({ id }) => recordingAt(id),
  async ({ who, params: { id }, request }) => {
    const sound = await recordingSound(who.deps, who.actor, id);
    if (!sound) return new Response('There is no such recording for you.\n', { status: 404 });
    const { content, mediaType } = sound;
    const headers = {
      'content-type': mediaType,
      'accept-ranges': 'bytes',
      'cache-control': 'private, max-age=300',
    };
    const range = /^bytes=(\d+)-(\d*)$/u.exec(request.headers.get('range') ?? '');
    if (!range) return new Response(new Uint8Array(content), { headers });
    const from = Number(range[1]);
    const to = Math.min(range[2] ? Number(range[2]) : content.length - 1, content.length - 1);
    if (from > to) {
      return new Response(null, { status: 416, headers: { 'content-range': `bytes */${content.length}` } });
    }
    return new Response(new Uint8Array(content.subarray(from, to + 1)), {
      status: 206,
      headers: { ...headers, 'content-range': `bytes ${from}-${to}/${content.length}` },
    });
  },
);
