import { bringingIn } from '@/contract/files';
import { fail } from '@/core/result';
import { bringIn } from '@/server/formats/bring-in';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { json } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';
import { uploadedForm } from '../../../_request/upload';

const LIMITS = { files: 1, fileBytes: MOST_FILE_BYTES, fieldBytes: 1_000 };

/**
 * A text written elsewhere, read for the one who brings it in to look at. Nothing of the draft changes. `discussion` is the
 * one whose questions are looked for in it.
 */
export const POST = json('bring files into a course', bringingIn, async ({ who, params, request }) => {
  const { fields, files } = await uploadedForm(request, LIMITS);
  const [file] = files;
  if (!file) return fail({ code: 'file-empty', name: 'the file' });
  const place = { course: params.course, discussion: fields.get('discussion') ?? null };
  return bringIn(withFiles(who.deps), who.actor, place, file);
});
