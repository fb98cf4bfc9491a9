import { deskDiscussionAt } from '@/contract/addresses';
import { actOnParts, partActSchema } from '@/server/desk/parts-played';
import { askedAgain } from '../../../../../_request/asked-again';
import { form } from '../../../../../_request/endpoint';
import { seeOther } from '../../../../../_request/write';

/** Gives students of a discussion a side, or the lead. */
export const POST = form<'course' | 'slug'>(
  'keep the desk',
  ({ course, slug }) => deskDiscussionAt(course, slug),
  async ({ who, params: { course, slug }, fields }) => {
    const back = (answer: string) => seeOther(deskDiscussionAt(course, slug, { answer }));
    const act = partActSchema.safeParse({
      ...Object.fromEntries(fields),
      people: fields.getAll('person').filter((id) => id !== ''),
    });
    if (!act.success) return back('fields');
    const done = await actOnParts(who.deps, who.actor, course, slug, act.data);
    if (!done.ok && done.failure.code === 'touches')
      return askedAgain(course, slug, act.data) ?? back('touches');
    return back(done.ok ? act.data.act : done.failure.code);
  },
);
