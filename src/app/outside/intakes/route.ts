import { newOutsideAt, outsideAt } from '@/contract/addresses';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { takeIn } from '@/server/outside/take-in';
import { seeOther } from '../../_request/write';
import { uploadForm } from '../../_request/endpoint';

const PAGE = newOutsideAt();
const MOST_TEXT_BYTES = 8_000_000;

/** Takes in a prompt: pasted text, files, or both. */
export const POST = uploadForm(
  'bring a prompt in',
  { files: 6, fileBytes: MOST_FILE_BYTES, fieldBytes: MOST_TEXT_BYTES },
  () => PAGE,
  async ({ who, fields, files }) => {
    const taken = await takeIn(who.deps, who.actor, {
      text: (fields.get('text') ?? '').replace(/\u0000/gu, ''),
      html: (fields.get('html') ?? '').replace(/\u0000/gu, ''),
      files,
    });
    if (taken.ok) return seeOther(outsideAt(taken.value.id));
    const { troubles, ...failure } = taken.failure;
    const said = [...troubles, ...(troubles.length && failure.code === 'nothing-to-read' ? [] : [failure])];
    return seeOther(`${PAGE}?trouble=${encodeURIComponent(JSON.stringify(said).slice(0, 1_500))}`);
  },
);
