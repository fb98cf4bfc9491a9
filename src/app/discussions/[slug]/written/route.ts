import { bringIn } from '@/server/formats/bring-in';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { visitor, withFiles } from '../../../_request/session';
import { uploadedForm } from '../../../_request/upload';
import { fromOwnPages, unexpected } from '../../../_request/write';

/** A text written elsewhere, read for the one who brings it in to look at. Nothing of the draft changes. */
export async function POST(request: Request, { params }: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return Response.json({ ok: false, code: 'foreign' }, { status: 403 });
  try {
    const who = await visitor();
    if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
    const limits = { files: 1, fileBytes: MOST_FILE_BYTES, fieldBytes: 1_000 };
    const { files } = await uploadedForm(request, limits);
    const [file] = files;
    if (!file) return Response.json({ ok: false, code: 'file-empty', name: 'the file' }, { status: 422 });
    const brought = await bringIn(withFiles(who.deps), who.actor, (await params).slug, file);
    return brought.ok
      ? Response.json({ ok: true, ...brought.value })
      : Response.json(
          { ok: false, ...brought.failure },
          { status: brought.failure.code === 'not-found' ? 404 : 422 },
        );
  } catch (error) {
    return Response.json({ ok: false, ...unexpected(error) }, { status: 500 });
  }
}
