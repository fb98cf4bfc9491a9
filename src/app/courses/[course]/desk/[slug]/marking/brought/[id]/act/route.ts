import { deskBroughtMarksAt, deskMarksTableAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { leaveMarks, takeMarks } from '@/server/marks/bring';
import { form } from '../../../../../../../../_request/endpoint';
import { seeOther } from '../../../../../../../../_request/write';

/** Takes a brought table of marks over, or leaves it alone. */
export const POST = form<'course' | 'slug' | 'id'>(
  'mark a part',
  ({ course, slug, id }) => deskBroughtMarksAt(course, slug, id),
  async ({ who, params: { course, slug, id }, fields }) => {
    const toTable = (answer?: string) => seeOther(deskMarksTableAt(course, slug, { answer }));
    if (!isUuid(id)) return toTable('not-found');
    const at = { slug: course, name: slug };
    if (fields.get('do') === 'leave') {
      await leaveMarks(who.deps, who.actor, at, id);
      return toTable('table-left');
    }
    const taken = await takeMarks(who.deps, who.actor, at, {
      id,
      stamp: fields.get('stamp') ?? '',
      over: fields.getAll('over'),
    });
    if (taken.ok) return toTable(taken.value ? 'table-taken' : 'table-nothing');
    return taken.failure.code === 'marks-moved'
      ? seeOther(deskBroughtMarksAt(course, slug, id, { answer: 'marks-moved' }))
      : toTable(taken.failure.code);
  },
);
