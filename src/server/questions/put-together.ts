import { fail, ok, type Result } from '@/core/result';
import { mergeQuestion, type QuestionRecord } from '@/db/queries/questions';
import { visiblePosts } from '../access/visible-posts';
import { tellMerged } from '../notices/tell-asked';
import type { Acting } from './acting';

/** Whether others may be put together with a question: whoever is sent there has to be able to read it. */
async function isForAll({ deps, actor, entered }: Acting, into: QuestionRecord): Promise<boolean> {
  const [post] = await visiblePosts(deps.db, actor, entered, [into.post]);
  return (
    post !== undefined &&
    post.privateTo === null &&
    !post.grouped &&
    !post.withdrawn &&
    !post.hidden &&
    into.kind === 'asks' &&
    into.mergedInto === null
  );
}

/** Puts questions together with another that asks the same: whoever follows them follows that, and whoever asked them is told. */
export async function putTogether(
  acting: Acting,
  from: readonly QuestionRecord[],
  into: QuestionRecord | undefined,
): Promise<Result<null, { code: 'no-such-question' }>> {
  const { deps, actor, course, entered } = acting;
  const sound = from.every((q) => q.kind === 'asks' && q.mergedInto === null && q.post !== into?.post);
  if (!into || from.length === 0 || !sound || !(await isForAll(acting, into)))
    return fail({ code: 'no-such-question' });
  const place = { course: course.id, discussion: entered.record.id };
  await deps.db.transaction(async (tx) => {
    for (const question of from) {
      await mergeQuestion(tx, place, question.post, into.post);
      await tellMerged(deps, tx, place, { from: question, into, by: actor.id });
    }
  });
  return ok(null);
}
