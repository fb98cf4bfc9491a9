import { openNoticeAt } from '@/contract/addresses';
import { openNotice } from '@/server/notices/open';
import { ownContent } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** Leads to the place of a notice: from its page, a mail or a device. Only its reader is led anywhere. */
export const GET = ownContent<'id'>(
  'keep oneself',
  ({ id }) => openNoticeAt(id),
  async ({ who, params }) => {
    const done = await openNotice(who.deps, who.actor, Number(params.id));
    return done.ok
      ? seeOther(done.value)
      : new Response('This notice is not yours, or there is nothing to tell any more.\n', { status: 404 });
  },
);
