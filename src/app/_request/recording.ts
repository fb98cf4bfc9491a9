import 'server-only';
import {
  addRecording,
  MOST_RECORDING_BYTES,
  removeRecording,
  type Recorded,
} from '@/server/courses/recordings';
import { uploadForm } from './endpoint';
import { seeOther } from './write';

/** The form beside a reading or prompt that puts a recording there or takes it away. */
export const recordingForm = (kind: Recorded['kind'], pageOf: (slug: string) => string) =>
  uploadForm<'slug'>(
    'keep material',
    { files: 1, fileBytes: MOST_RECORDING_BYTES, fieldBytes: 1_000 },
    ({ slug }) => pageOf(slug),
    async ({ who, params: { slug }, fields, files: [file], page }) => {
      const of = { kind, slug };
      if (fields.get('do') === 'remove') await removeRecording(who.deps, who.actor, of);
      else if (!file) return seeOther(`${page}?answer=no-sound`);
      else {
        const added = await addRecording(who.deps, who.actor, of, file);
        if (!added.ok) return seeOther(`${page}?answer=${added.failure.code}`);
      }
      return seeOther(page);
    },
  );
