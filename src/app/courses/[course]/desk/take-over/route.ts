import { deskAt } from '@/contract/addresses';
import { takeCourseOver, takeOverSchema } from '@/server/desk/take-over';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Takes another course one teaches over into this one. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskAt(course),
  async ({ who, params: { course }, fields }) => {
    const read = takeOverSchema.safeParse(Object.fromEntries(fields));
    if (!read.success) return seeOther(deskAt(course, { answer: 'fields' }));
    const done = await takeCourseOver(who.deps, who.actor, course, read.data);
    return seeOther(deskAt(course, { answer: done.ok ? 'taken-over' : done.failure.code }));
  },
);
