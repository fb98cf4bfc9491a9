import { noticesAt } from '@/contract/addresses';
import { seeAll } from '@/server/notices/page';
import { form } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

/** All of one's notices are seen. */
export const POST = form(
  'keep oneself',
  () => noticesAt(),
  async ({ who }) => {
    await seeAll(who.deps, who.actor);
    return seeOther(noticesAt());
  },
);
