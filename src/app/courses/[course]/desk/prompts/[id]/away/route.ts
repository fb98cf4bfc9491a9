import { deskAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { putPromptAway } from '@/server/desk/prompts';
import { form } from '../../../../../../_request/endpoint';
import { seeOther } from '../../../../../../_request/write';

/** Puts a prompt away that was taken in. */
export const POST = form<'course' | 'id'>(
  'keep the desk',
  ({ course }) => deskAt(course),
  async ({ who, params: { course, id } }) => {
    const done = isUuid(id) ? await putPromptAway(who.deps, who.actor, course, id) : null;
    return seeOther(deskAt(course, { answer: done?.ok ? 'away' : 'not-found' }));
  },
);
