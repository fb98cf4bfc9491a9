import { deskAt } from '@/contract/addresses';
import { addWeek, addWeeks, changeWeek, dropWeek, weekSchema, weeksSchema } from '@/server/desk/term';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Adds a week or several, changes one, or takes one away in which there is nothing. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskAt(course),
  async ({ who, params: { course }, fields }) => {
    const number = Number(fields.get('number'));
    const back = (answer: string, week: number | null = null) => seeOther(deskAt(course, { answer, week }));
    if (fields.get('do') === 'drop') {
      const done = await dropWeek(who.deps, who.actor, course, number);
      return done.ok ? back('week-gone') : back(done.failure.code, number);
    }
    if (fields.get('do') === 'add-many') {
      const many = weeksSchema.safeParse(Object.fromEntries(fields));
      if (!many.success) return back('fields');
      const done = await addWeeks(who.deps, who.actor, course, many.data);
      return back(done.ok ? 'weeks' : done.failure.code);
    }
    const read = weekSchema.safeParse(Object.fromEntries(fields));
    if (!read.success) return back('fields');
    const adds = fields.get('do') === 'add';
    const done = await (adds ? addWeek : changeWeek)(who.deps, who.actor, course, read.data);
    if (!done.ok) return back(done.failure.code);
    return adds ? back('week') : back('week-kept', number);
  },
);
