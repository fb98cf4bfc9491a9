import { noticesAt } from '@/contract/addresses';
import { keepRules } from '@/contract/notices';
import { rulesFromFields } from '@/core/notices/fields';
import { rulesSchema } from '@/core/notices/rules';
import { chooseRules } from '@/server/notices/rules';
import { form, json } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

/** How notices reach somebody: chosen by the page's script. */
export const PUT = json('keep oneself', keepRules, ({ who, input }) =>
  chooseRules(who.deps, who.actor, input),
);

/** And by its plain form. */
export const POST = form(
  'keep oneself',
  () => noticesAt(),
  async ({ who, fields }) => {
    const read = rulesSchema.safeParse(rulesFromFields(fields));
    if (!read.success) return seeOther(noticesAt({ answer: 'malformed' }));
    await chooseRules(who.deps, who.actor, read.data);
    return seeOther(noticesAt({ answer: 'kept' }));
  },
);
