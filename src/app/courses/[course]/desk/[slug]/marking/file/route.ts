import { deskMarksTableAt } from '@/contract/addresses';
import { marksTable } from '@/server/marks/table';
import { tableFile } from '@/server/marks/table-file';
import { disposition } from '../../../../../../_request/disposition';
import { ownContent } from '../../../../../../_request/endpoint';

/** The marks of a discussion as a file for a spreadsheet. */
export const GET = ownContent<'course' | 'slug'>(
  'mark a part',
  ({ course, slug }) => deskMarksTableAt(course, slug),
  async ({ who, params: { course, slug } }) => {
    const table = await marksTable(who.deps, who.actor, course, slug, 'name');
    if (!table.ok) return new Response('There is nothing at this address.\n', { status: 404 });
    return new Response(tableFile(table.value), {
      headers: {
        'content-type': 'text/csv; charset=utf-8; header=present',
        'content-disposition': disposition('attachment', `marks-${slug}.csv`),
        'cache-control': 'private, no-store',
      },
    });
  },
);
