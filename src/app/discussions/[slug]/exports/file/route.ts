import { attachmentAt, exportsAt } from '@/contract/addresses';
import { z } from 'zod';
import { discussionAsHtml, discussionAsJson, discussionAsMarkdown } from '@/core/formats/discussion-export';
import { formulaHtml } from '@/server/formats/mathml';
import { discussionToTake, picturesToTake } from '@/server/discussions/export';
import { exportWords } from '@/ui/words/export';
import { disposition } from '../../../../_request/disposition';
import { originOf } from '../../../../_request/origin';
import { ownContent } from '../../../../_request/endpoint';
import { withFiles } from '../../../../_request/session';

const TYPES = {
  html: 'text/html; charset=utf-8',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json; charset=utf-8',
};
const format = z.enum(['html', 'md', 'json']);

/** A discussion as a file: one HTML page, Markdown, or JSON. */
export const GET = ownContent<'slug'>(
  'read posts',
  ({ slug }) => exportsAt(slug),
  async ({ who, params: { slug }, request }) => {
    const as = format.safeParse(new URL(request.url).searchParams.get('as'));
    if (!as.success) return new Response('Ask for html, md or json.\n', { status: 404 });
    const taken = await discussionToTake(who.deps, who.actor, slug);
    if (!taken.ok) {
      const sealed = taken.failure.code === 'sealed';
      return new Response(
        sealed ? 'This discussion is sealed until you have shared your response.\n' : 'Not found.\n',
        { status: sealed ? 403 : 404 },
      );
    }
    const words = exportWords(taken.value, who.actor.name, who.actor.timeZone);
    const origin = originOf(request.headers);
    const linked = (file: string) => origin + attachmentAt(file);
    const text = async () => {
      if (as.data === 'json') return discussionAsJson(taken.value, linked);
      if (as.data === 'md') return discussionAsMarkdown(taken.value, words, linked);
      const pictures = await picturesToTake(withFiles(who.deps), who.actor, taken.value.posts);
      return discussionAsHtml(taken.value, words, (file) => pictures.get(file) ?? null, formulaHtml);
    };
    return new Response(await text(), {
      headers: {
        'content-type': TYPES[as.data],
        'content-disposition': disposition('attachment', `${slug}.${as.data}`),
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox",
        'cache-control': 'private, no-store',
      },
    });
  },
);
