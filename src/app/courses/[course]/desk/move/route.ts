import { deskAt } from '@/contract/addresses';
import { moveSchema, moveTerm } from '@/server/desk/term';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Moves everything from a week on, together. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskAt(course),
  async ({ who, params: { course }, fields }) => {
    const read = moveSchema.safeParse(Object.fromEntries(fields));
    if (!read.success) return seeOther(deskAt(course, { answer: 'fields' }));
    const done = await moveTerm(who.deps, who.actor, course, read.data);
    return seeOther(deskAt(course, { answer: done.ok ? 'moved' : done.failure.code, week: read.data.from }));
  },
);
