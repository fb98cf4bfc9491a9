import { z } from 'zod';
import { weekAt } from '@/contract/addresses';
import { chooseTheme } from '@/server/sessions/theme';
import { form } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

const fieldsSchema = z.object({
  theme: z.enum(['system', 'light', 'dark']),
  to: z.string().max(500).default('/'),
});

/** Which paper a person reads on. */
export const POST = form(
  'keep oneself',
  () => weekAt(),
  async ({ who, fields }) => {
    const read = fieldsSchema.safeParse(Object.fromEntries(fields));
    if (!read.success) return seeOther(weekAt());
    await chooseTheme(who.deps, who.actor, read.data.theme);
    return seeOther(read.data.to);
  },
);
