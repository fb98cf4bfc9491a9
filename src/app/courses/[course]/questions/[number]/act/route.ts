import { questionAt } from '@/contract/addresses';
import { questionActSchema } from '@/contract/questions';
import { actOnQuestion } from '@/server/questions/act';
import { form } from '../../../../../_request/endpoint';
import { answered } from '../../../../../_request/write';

/** What is done with a question beside answering it. */
export const POST = form<'course' | 'number'>(
  'ask the course',
  ({ course, number }) => questionAt(course, number),
  async ({ who, params: { course, number }, fields, page, request }) => {
    const act = questionActSchema.safeParse({
      ...Object.fromEntries(fields),
      choice: fields.getAll('choice'),
      from: fields.getAll('from'),
    });
    if (!act.success) return answered(request, page, { ok: false, code: 'malformed' });
    const done = await actOnQuestion(who.deps, who.actor, course, Number(number), act.data);
    return answered(
      request,
      page,
      done.ok ? { ok: true, code: act.data.act } : { ok: false, code: done.failure.code },
    );
  },
);
