import { collegeAt } from '@/contract/addresses';
import { changeMark, MOST_PICTURE_BYTES } from '@/server/people/picture';
import { stewardUpload } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';
import { seeOther } from '../../../_request/write';

/** Gives the college its mark, or takes it away. */
export const POST = stewardUpload(
  { files: 1, fileBytes: MOST_PICTURE_BYTES, fieldBytes: 100 },
  () => collegeAt(),
  async ({ who, fields, files: [file] }) => {
    const away = fields.get('do') === 'away';
    if (!away && (!file || file.cut))
      return seeOther(collegeAt({ answer: file ? 'picture-large' : 'no-file' }));
    const done = await changeMark(withFiles(who.deps), away ? null : (file?.bytes ?? null));
    return seeOther(collegeAt({ answer: done.ok ? 'mark' : done.failure.code }));
  },
);
