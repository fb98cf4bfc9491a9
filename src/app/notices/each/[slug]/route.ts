import { z } from 'zod';
import { eachDiscussionAt } from '@/contract/addresses';
import { WAYS } from '@/core/notices/kinds';
import { chooseWay } from '@/server/notices/rules';
import { form } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

const chosenSchema = z.enum(['rule', 'none', ...WAYS]);

/** Hears more or less of one discussion than by one's rule. */
export const POST = form<'slug'>(
  'keep oneself',
  () => eachDiscussionAt(),
  async ({ who, params, fields }) => {
    const chosen = chosenSchema.safeParse(fields.get('chosen'));
    if (!chosen.success) return seeOther(eachDiscussionAt());
    const thread = z.coerce.number().int().positive().nullable().catch(null).parse(fields.get('thread'));
    const done = await chooseWay(who.deps, who.actor, params.slug, chosen.data, thread);
    return seeOther(eachDiscussionAt(done.ok ? { answer: 'kept' } : {}));
  },
);
