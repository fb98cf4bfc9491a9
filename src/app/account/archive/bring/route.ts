import { accountAt, discussionsAt } from '@/contract/addresses';
import { bringCourses, MOST_ARCHIVE_BYTES } from '@/server/people/bring-courses';
import { uploadForm } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';
import { seeOther } from '../../../_request/write';

/** Brings one's own courses in out of an archive. */
export const POST = uploadForm(
  'bring a prompt in',
  { files: 1, fileBytes: MOST_ARCHIVE_BYTES, fieldBytes: 1_000 },
  () => accountAt(),
  async ({ who, files }) => {
    const [file] = files;
    // The answer stands at the top of the page.
    const said = (answer: string) => seeOther(accountAt({ answer }));
    if (!file) return said('no-file');
    if (file.cut) return said('archive-too-large');
    const brought = await bringCourses(withFiles(who.deps), who.actor, file.bytes);
    if (!brought.ok) return said(`archive-${brought.failure.code}`);
    const { discussions, left, hosted } = brought.value;
    if (discussions === 0) return said('archive-known');
    if (left.length) return said('archive-without-files');
    return hosted.length ? said('archive-hosted') : seeOther(discussionsAt());
  },
);
