import { accountAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { leave } from '@/server/people/join';
import { form } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

/** Leaves a course. */
export const POST = form(
  'keep oneself',
  () => accountAt(),
  async ({ who, fields }) => {
    const course = fields.get('course');
    if (!isUuid(course)) return seeOther(accountAt());
    const left = await leave(who.deps, who.actor, course);
    return seeOther(accountAt({ answer: left.ok ? 'left' : left.failure.code }));
  },
);
