import { conversationAt, foundAt, newOutsideAt, outsideAt } from '@/contract/addresses';
import { z } from 'zod';
import { putNewer, sayOfBlocks } from '@/server/outside/found';
import { seeOther } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Keeps what somebody says of the blocks of a page, and goes on with them where they are right. */
export const POST = form<'id'>(
  'bring a prompt in',
  ({ id }) => foundAt(id),
  async ({ who, params: { id }, fields }) => {
    if (!z.uuid().safeParse(id).success) return seeOther(newOutsideAt());
    const act = fields.get('act') ?? 'keep';
    const said = await sayOfBlocks(who.deps, who.actor, id, fields, act);
    if (!said.ok) return seeOther(newOutsideAt());
    if (act !== 'go') return seeOther(foundAt(id));
    if (!said.value.newer) return seeOther(outsideAt(id));
    const put = await putNewer(who.deps, who.actor, id);
    if (!put.ok) return seeOther(newOutsideAt());
    return seeOther(put.value.prompt ? outsideAt(id) : conversationAt(put.value.slug, { show: 'unread' }));
  },
);
