import { responseAt } from '@/contract/addresses';
import { askForTime, reasonSchema } from '@/server/discussions/more-time';
import { form } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** Asks for more time. */
export const POST = form<'slug'>(
  'ask for time',
  ({ slug }) => responseAt(slug),
  async ({ who, params: { slug }, fields }) => {
    const reason = reasonSchema.safeParse(fields.get('reason') ?? '');
    const done = reason.success ? await askForTime(who.deps, who.actor, slug, reason.data) : null;
    return seeOther(responseAt(slug, { answer: done?.ok ? 'time-asked' : 'time-not-asked' }));
  },
);
