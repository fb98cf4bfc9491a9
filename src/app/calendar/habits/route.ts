import { planAt } from '@/contract/addresses';
import { chooseHabits, habitsSchema } from '@/server/planning/habits';
import { seeOther } from '../../_request/write';
import { form } from '../../_request/endpoint';

/** Keeps how a person wants to work: a plain form. */
export const POST = form(
  'keep one’s calendar',
  () => planAt(),
  async ({ who, fields }) => {
    const read = habitsSchema.safeParse({
      sleepFrom: (fields.get('sleepFrom') ?? '').trim().padStart(5, '0'),
      sleepTo: (fields.get('sleepTo') ?? '').trim().padStart(5, '0'),
      sittingMinutes: Number(fields.get('sittingMinutes')),
      breakMinutes: Number(fields.get('breakMinutes')),
      inFeed: fields.get('inFeed') === 'yes',
    });
    if (!read.success) return seeOther(planAt({ answer: 'malformed' }));
    await chooseHabits(who.deps, who.actor, read.data);
    return seeOther(planAt({ answer: 'kept' }));
  },
);
