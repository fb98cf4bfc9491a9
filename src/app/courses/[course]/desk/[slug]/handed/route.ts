import { deskDiscussionAt } from '@/contract/addresses';
import { actOnHanded, handedActSchema } from '@/server/desk/handed';
import { form } from '../../../../../_request/endpoint';
import { seeOther } from '../../../../../_request/write';

/** Lets a draft that was handed over count, or gives it back. */
export const POST = form<'course' | 'slug'>(
  'keep the desk',
  ({ course, slug }) => deskDiscussionAt(course, slug),
  async ({ who, params: { course, slug }, fields }) => {
    const back = (answer: string) => seeOther(deskDiscussionAt(course, slug, { answer }));
    const act = handedActSchema.safeParse(Object.fromEntries(fields));
    if (!act.success) return back('fields');
    const done = await actOnHanded(who.deps, who.actor, course, slug, act.data);
    return back(done.ok ? act.data.act : done.failure.code);
  },
);
