import { peopleAt } from '@/contract/addresses';
import { ownTimesSchema, sayTimes } from '@/server/courses/own-times';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** A student says when they could work with others. */
export const POST = form<'course'>(
  'say one’s times',
  ({ course }) => peopleAt(course),
  async ({ who, params: { course }, fields }) => {
    const times = ownTimesSchema.safeParse(fields.getAll('time'));
    const done = times.success && (await sayTimes(who.deps, who.actor, course, times.data));
    return seeOther(peopleAt(course, { answer: done && done.ok ? 'times' : 'fields' }));
  },
);
