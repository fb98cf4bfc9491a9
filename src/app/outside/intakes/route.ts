import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { takeIn } from '@/server/outside/take-in';
import { requireVisitor } from '../../_request/session';
import { uploadedForm } from '../../_request/upload';
import { fromOwnPages, seeOther } from '../../_request/write';

const PAGE = '/outside/new';
const MOST_TEXT_BYTES = 8_000_000;

/** Takes in a prompt: pasted text, files, or both. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor(PAGE);
  const { fields, files } = await uploadedForm(request, {
    files: 6,
    fileBytes: MOST_FILE_BYTES,
    fieldBytes: MOST_TEXT_BYTES,
  });
  const taken = await takeIn(who.deps, who.actor, {
    text: (fields.get('text') ?? '').replace(/\u0000/gu, ''),
    html: (fields.get('html') ?? '').replace(/\u0000/gu, ''),
    files,
  });
  if (taken.ok) return seeOther(`/outside/${taken.value.id}`);
  const { troubles, ...failure } = taken.failure;
  const said = [...troubles, ...(troubles.length && failure.code === 'nothing-to-read' ? [] : [failure])];
  return seeOther(`${PAGE}?trouble=${encodeURIComponent(JSON.stringify(said).slice(0, 1_500))}`);
}
