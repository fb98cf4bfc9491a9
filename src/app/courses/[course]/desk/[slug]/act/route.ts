import { deskAt, deskDatesAt, deskDiscussionAt } from '@/contract/addresses';
import { actOnDesk, deskActSchema } from '@/server/desk/discussion';
import { askedAgain } from '../../../../../_request/asked-again';
import { form } from '../../../../../_request/endpoint';
import { seeOther } from '../../../../../_request/write';

/** What staff do about a discussion: its dates, whether it is shown, single students' time. */
export const POST = form<'course' | 'slug'>(
  'keep the desk',
  ({ course, slug }) => deskDiscussionAt(course, slug),
  async ({ who, params: { course, slug }, fields }) => {
    const back = (answer: string) => seeOther(deskDiscussionAt(course, slug, { answer }));
    const act = deskActSchema.safeParse({
      ...Object.fromEntries(fields),
      people: fields.getAll('person'),
    });
    if (!act.success) return back('fields');
    const done = await actOnDesk(who.deps, who.actor, course, slug, act.data);
    if (!done.ok && done.failure.code === 'touches') {
      if (act.data.act !== 'dates') return askedAgain(course, slug, act.data) ?? back('touches');
      const { opens, responseDue, repliesDue } = act.data;
      return seeOther(deskDatesAt(course, slug, { opens, responseDue, repliesDue }));
    }
    if (!done.ok)
      return back(
        done.failure.code === 'dates' ? (done.failure.problems[0]?.code ?? 'fields') : done.failure.code,
      );
    return act.data.act === 'remove' ? seeOther(deskAt(course, { answer: 'remove' })) : back(act.data.act);
  },
);
