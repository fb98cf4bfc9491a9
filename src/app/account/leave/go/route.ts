import { accountAt, leaveAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { courseId } from '@/core/ids';
import { leaveCourse } from '@/server/people/leaving';
import { form } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';
import { seeOther } from '../../../_request/write';

/** Leaves a course. */
export const POST = form(
  'keep oneself',
  () => leaveAt(),
  async ({ who, fields }) => {
    const course = fields.get('course');
    if (!isUuid(course)) return seeOther(accountAt());
    const left = await leaveCourse(withFiles(who.deps), who.actor, courseId(course));
    return seeOther(accountAt({ answer: left.ok ? 'left' : left.failure.code }));
  },
);
