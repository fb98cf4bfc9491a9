import { stewardsPersonAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { actOnPerson, personActSchema } from '@/server/stewards/people';
import { stewardForm } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** What a steward does about a person. */
export const POST = stewardForm<'id'>(
  ({ id }) => stewardsPersonAt(id),
  async ({ who, steward, params: { id }, fields, page }) => {
    const act = personActSchema.safeParse(Object.fromEntries(fields));
    if (!act.success || !isUuid(id)) return seeOther(page);
    const done = await actOnPerson(who.deps, steward, id, act.data);
    const said = act.data.act === 'role' && act.data.role === 'none' ? 'role-none' : act.data.act;
    return seeOther(stewardsPersonAt(id, { answer: done.ok ? said : done.failure.code }));
  },
);
