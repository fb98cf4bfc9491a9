import { deskGroupsAt } from '@/contract/addresses';
import { actOnGroups, groupsActSchema } from '@/server/desk/groups';
import { form } from '../../../../../_request/endpoint';
import { seeOther } from '../../../../../_request/write';

/** Makes, changes and deals out the groups of a course. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskGroupsAt(course),
  async ({ who, params: { course }, fields }) => {
    const back = (answer: string) => seeOther(deskGroupsAt(course, { answer }));
    const act = groupsActSchema.safeParse({
      ...Object.fromEntries(fields),
      people: fields.getAll('person'),
    });
    if (!act.success) return back('fields');
    const done = await actOnGroups(who.deps, who.actor, course, act.data);
    return back(done.ok ? `group-${act.data.act}` : done.failure.code);
  },
);
