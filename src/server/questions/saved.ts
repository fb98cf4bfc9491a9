import { randomUUID } from 'node:crypto';
import { withKnownFiles } from '@/core/document/attachments';
import { isStaff, postId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { saveAnswer } from '@/db/queries/saved-answers';
import { visiblePosts } from '../access/visible-posts';
import type { Acting } from './acting';

/** Keeps an answer of the staff, to give it again: under what was asked, and without the files it carries, which are their course's. */
export async function keepAnswer(
  acting: Acting,
  post: number | undefined,
): Promise<Result<null, { code: 'not-found' } | { code: 'not-yours-to-do' }>> {
  const { deps, actor, entered, question, root } = acting;
  if (!entered.staff) return fail({ code: 'not-yours-to-do' });
  const [answer] = post ? await visiblePosts(deps.db, actor, entered, [postId(post)]) : [];
  if (!answer || answer.thread !== question.post || answer.kind !== 'reply' || answer.withdrawn)
    return fail({ code: 'not-found' });
  if (!isStaff(answer.author.role)) return fail({ code: 'not-yours-to-do' });
  await saveAnswer(deps.db, actor.id, {
    id: randomUUID(),
    title: (root.title || root.opening || 'An answer').slice(0, 200),
    doc: withKnownFiles(answer.doc, new Map()),
    now: deps.now,
  });
  return ok(null);
}
