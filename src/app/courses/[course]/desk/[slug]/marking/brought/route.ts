import { deskBroughtMarksAt, deskMarksTableAt } from '@/contract/addresses';
import { bringMarks, MOST_TABLE_BYTES } from '@/server/marks/bring';
import { uploadForm } from '../../../../../../_request/endpoint';
import { seeOther } from '../../../../../../_request/write';

/** Takes a table of marks in, to be looked at. */
export const POST = uploadForm<'course' | 'slug'>(
  'mark a part',
  { files: 1, fileBytes: MOST_TABLE_BYTES, fieldBytes: 1_000 },
  ({ course, slug }) => deskMarksTableAt(course, slug),
  async ({ who, params: { course, slug }, files: [file] }) => {
    const back = (answer: string) => seeOther(deskMarksTableAt(course, slug, { answer }));
    if (!file) return back('no-file');
    const brought = await bringMarks(who.deps, who.actor, { slug: course, name: slug }, file);
    return brought.ok
      ? seeOther(deskBroughtMarksAt(course, slug, brought.value.id))
      : back(brought.failure.code);
  },
);
