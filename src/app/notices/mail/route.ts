import { noticesAt } from '@/contract/addresses';
import { mailAgain } from '@/server/notices/rules';
import { form } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

/** One's address works again, after mail to it came back. */
export const POST = form(
  'keep oneself',
  () => noticesAt(),
  async ({ who }) => {
    await mailAgain(who.deps, who.actor);
    return seeOther(noticesAt({ answer: 'mail' }));
  },
);
