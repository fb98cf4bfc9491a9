import { deskAt } from '@/contract/addresses';
import { mendedSchema, settleTrouble } from '@/server/desk/troubles';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Something that was said to be broken is mended: whoever said so hears of it. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskAt(course),
  async ({ who, params: { course }, fields }) => {
    const said = mendedSchema.safeParse(Object.fromEntries(fields));
    const done = said.success ? await settleTrouble(who.deps, who.actor, course, said.data) : null;
    return seeOther(deskAt(course, { answer: done?.ok ? 'mended' : (done?.failure.code ?? 'fields') }));
  },
);
