import { deskClassAt } from '@/contract/addresses';
import { actOnClass, classActSchema } from '@/server/desk/class';
import { askedAgain, hoursAskedAgain } from '../../../../../_request/asked-again';
import { form } from '../../../../../_request/endpoint';
import { seeOther, sentDocument } from '../../../../../_request/write';

/** What staff do for the students they have chosen. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskClassAt(course),
  async ({ who, params: { course }, fields }) => {
    const back = (answer: string) => seeOther(deskClassAt(course, { answer }));
    const act = classActSchema.safeParse({
      ...Object.fromEntries(fields),
      people: fields.getAll('person'),
      doc: sentDocument(fields.get('doc')),
      // Two parts of the form ask why; the one that was filled in says it.
      reason: fields.getAll('reason').find((text) => text.trim() !== '') ?? '',
    });
    if (!act.success) return back(fields.get('act') === 'tell' ? 'unwritten' : 'fields');
    const done = await actOnClass(who.deps, who.actor, course, act.data);
    if (done.ok) return back(act.data.act === 'tell' ? 'written' : act.data.act);
    if (done.failure.code === 'touches')
      return (
        ('discussion' in act.data
          ? askedAgain(course, act.data.discussion, act.data)
          : hoursAskedAgain(course, act.data)) ?? back('touches')
      );
    return back(
      done.failure.code === 'dates' ? (done.failure.problems[0]?.code ?? 'fields') : done.failure.code,
    );
  },
);
