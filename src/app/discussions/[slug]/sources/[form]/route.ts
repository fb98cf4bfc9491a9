import { SHELF_FORMS } from '@/contract/sources';
import { shelfFile } from '@/server/sources/shelf';
import { disposition } from '../../../../_request/disposition';
import { content } from '../../../../_request/endpoint';

const TYPES = {
  bib: 'application/x-bibtex; charset=utf-8',
  json: 'application/vnd.citationstyles.csl+json; charset=utf-8',
  ris: 'application/x-research-info-systems; charset=utf-8',
} as const;

/** One's shelf of sources in this course as a file. */
export const GET = content<'slug' | 'form'>('write', async ({ visitor, params }) => {
  const who = await visitor();
  if (!who) return new Response('Sign in to get your sources.\n', { status: 401 });
  const form = SHELF_FORMS.find((f) => f === params.form);
  const found = form && (await shelfFile(who.deps, who.actor, params.slug, form));
  if (!found?.ok) return new Response('There is no such shelf of yours.\n', { status: 404 });
  return new Response(found.value.text, {
    headers: {
      'content-type': TYPES[form as keyof typeof TYPES],
      'content-disposition': disposition('attachment', found.value.name),
      'cache-control': 'private, no-store',
    },
  });
});
