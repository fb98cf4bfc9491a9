import { stewardsCourseAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { actOnCourse, courseActSchema } from '@/server/stewards/courses';
import { stewardForm } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** What a steward does about a course: its code, and who asks to be let in. */
export const POST = stewardForm<'id'>(
  ({ id }) => stewardsCourseAt(id),
  async ({ who, steward, params: { id }, fields, page }) => {
    const act = courseActSchema.safeParse({
      ...Object.fromEntries(fields),
      approval: fields.get('approval') === 'yes',
    });
    if (!act.success || !isUuid(id)) return seeOther(page);
    const done = await actOnCourse(who.deps, steward, id, act.data);
    const said = act.data.act === 'let-in' ? 'granted' : act.data.act;
    return seeOther(stewardsCourseAt(id, { answer: done.ok ? said : done.failure.code }));
  },
);
