import 'server-only';
import {
  addRecording,
  MOST_RECORDING_BYTES,
  removeRecording,
  type Recorded,
} from '@/server/courses/recordings';
import { requireVisitor } from './session';
import { uploadedForm } from './upload';
import { fromOwnPages, seeOther } from './write';

/** The form beside a reading or prompt that puts a recording there or takes it away. */
export async function recordingForm(request: Request, of: Recorded, page: string) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor(page);
  const { fields, files } = await uploadedForm(request, {
    files: 1,
    fileBytes: MOST_RECORDING_BYTES,
    fieldBytes: 1_000,
  });
  const [file] = files;
  if (fields.get('do') === 'remove') await removeRecording(who.deps, who.actor, of);
  else if (!file) return seeOther(`${page}?answer=no-sound`);
  else {
    const added = await addRecording(who.deps, who.actor, of, file);
    if (!added.ok) return seeOther(`${page}?answer=${added.failure.code}`);
  }
  return seeOther(page);
}
