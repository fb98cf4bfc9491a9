import { bringIn } from '@/server/formats/bring-in';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { visitor, withFiles } from '../../../_request/session';
import { uploadedForm } from '../../../_request/upload';
import { said, scripted } from '../../../_request/write';

const LIMITS = { files: 1, fileBytes: MOST_FILE_BYTES, fieldBytes: 1_000 };

/**
 * A text written elsewhere, read for the one who brings it in to look at. Nothing of the draft changes. `discussion` is the
 * one whose questions are looked for in it.
 */
export const POST = (request: Request, { params }: { params: Promise<{ course: string }> }) =>
  scripted(request, visitor, async (who) => {
    const { course } = await params;
    const { fields, files } = await uploadedForm(request, LIMITS);
    const [file] = files;
    if (!file) return said({ ok: false, failure: { code: 'file-empty', name: 'the file' } });
    const place = { course, discussion: fields.get('discussion') ?? null };
    return said(await bringIn(withFiles(who.deps), who.actor, place, file));
  });
