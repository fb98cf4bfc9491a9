import { accountAt } from '@/contract/addresses';
import { changePicture, MOST_PICTURE_BYTES } from '@/server/people/picture';
import { uploadForm } from '../../_request/endpoint';
import { withFiles } from '../../_request/session';
import { seeOther } from '../../_request/write';

/** Gives oneself a picture, or takes it away. */
export const POST = uploadForm(
  'keep oneself',
  { files: 1, fileBytes: MOST_PICTURE_BYTES, fieldBytes: 100 },
  () => accountAt(),
  async ({ who, fields, files: [file] }) => {
    const away = fields.get('do') === 'away';
    if (!away && (!file || file.cut))
      return seeOther(accountAt({ answer: file ? 'picture-large' : 'no-file' }));
    const bytes = away ? null : (file?.bytes ?? null);
    const done = await changePicture(withFiles(who.deps), who.actor, bytes);
    return seeOther(accountAt({ answer: done.ok ? (away ? 'picture-gone' : 'picture') : done.failure.code }));
  },
);
