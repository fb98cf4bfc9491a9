import { chooseHabits, habitsSchema } from '@/server/planning/habits';
import { requireVisitor } from '../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../_request/write';

/** Keeps how a person wants to work: a plain form. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor('/calendar/plan');
  const fields = await bodyFields(request);
  const read = habitsSchema.safeParse({
    sleepFrom: (fields.get('sleepFrom') ?? '').trim().padStart(5, '0'),
    sleepTo: (fields.get('sleepTo') ?? '').trim().padStart(5, '0'),
    sittingMinutes: Number(fields.get('sittingMinutes')),
    breakMinutes: Number(fields.get('breakMinutes')),
    inFeed: fields.get('inFeed') === 'yes',
  });
  if (!read.success) return seeOther('/calendar/plan?answer=malformed');
  await chooseHabits(who.deps, who.actor, read.data);
  return seeOther('/calendar/plan?answer=kept');
}
