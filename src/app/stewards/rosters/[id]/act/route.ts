import { rosterAt, stewardsCourseAt, stewardsCoursesAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { leaveRoster, rosterPage, takeRoster } from '@/server/stewards/roster';
import { stewardForm } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Takes the sound lines of a roster, or leaves the whole file alone. */
export const POST = stewardForm<'id'>(
  ({ id }) => rosterAt(id),
  async ({ who, steward, params: { id }, fields, page }) => {
    const found = isUuid(id) ? await rosterPage(who.deps, id) : null;
    if (!found?.ok) return seeOther(stewardsCoursesAt());
    const course = found.value.course.id;
    if (fields.get('act') === 'leave') {
      await leaveRoster(who.deps, id);
      return seeOther(stewardsCourseAt(course));
    }
    if (fields.get('act') !== 'take') return seeOther(page);
    const taken = await takeRoster(who.deps, steward, id);
    if (!taken.ok) return seeOther(stewardsCourseAt(course, { answer: taken.failure.code }));
    const { invited, letIn, there } = taken.value;
    return seeOther(stewardsCourseAt(course, { answer: 'taken', invited, in: letIn, there }));
  },
);
