import { deskAt } from '@/contract/addresses';
import { takeOne, takePieceSchema } from '@/server/desk/take-over';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Takes one prompt or one week out of any course that one teaches. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskAt(course),
  async ({ who, params: { course }, fields }) => {
    const read = takePieceSchema.safeParse(Object.fromEntries(fields));
    if (!read.success) return seeOther(deskAt(course, { answer: 'fields' }));
    const done = await takeOne(who.deps, who.actor, course, read.data);
    return seeOther(
      deskAt(
        course,
        done.ok ? { answer: 'taken-one', week: done.value.week } : { answer: done.failure.code },
      ),
    );
  },
);
