import type { QuestionAct } from '@/contract/questions';
import { isStaff, postId } from '@/core/ids';
import { mayRaise } from '@/core/questions/hands';
import { handsOf, raiseHands } from '@/db/queries/hands';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import {
  changeQuestion,
  confirmAnswer,
  insertSpared,
  mergeQuestion,
  questionsOf,
} from '@/db/queries/questions';
import type { NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { tellMerged } from '../notices/tell-asked';
import { enterQuestions } from './questions';

type Refused =
  { code: 'not-yours-to-do' } | { code: 'gone' } | { code: 'no-such-question' } | { code: 'closed' };

/**
 * What is done with a question beside answering it: its asker says that it is answered, or is not; staff keep it on top, take it on, label it, and confirm what a
 * classmate answered. Whoever found in it what they wanted to ask says so, and is counted.
 */
export async function actOnQuestion(
  deps: Deps,
  actor: Actor,
  slug: string,
  number: number,
  { act, post, label, into, choice = [] }: QuestionAct,
): Promise<Result<null, NotFound | Refused>> {
  const door = await enterQuestions(deps, actor, slug);
  if (!door.ok) return door;
  const { course, entered } = door.value;
  const all = await ask(questionsOf(deps.db, course.id));
  const question = all.find((q) => q.number === number);
  const [root] = question ? await visiblePosts(deps.db, actor, entered, [question.post]) : [];
  if (!question || !root) return fail({ code: 'not-found' });
  const { staff } = entered;
  const mine = root.author.id === actor.id;
  const change = (what: Parameters<typeof changeQuestion>[2]) =>
    changeQuestion(deps.db, question.post, what).then(() => ok(null));
  switch (act) {
    case 'settle':
    case 'reopen':
      if (!mine && !staff) return fail({ code: 'not-yours-to-do' });
      return change({ answeredAt: act === 'settle' ? deps.now : null });
    case 'spared':
      if (!mine)
        await insertSpared(deps.db, {
          course: course.id,
          post: question.post,
          person: actor.id,
          now: deps.now,
        });
      return ok(null);
    case 'raise':
      return deps.db.transaction(async (tx) => {
        const hands = await handsOf(tx, question.post, true);
        if (!hands || !mayRaise(hands, choice)) return fail({ code: 'no-such-question' as const });
        if (deps.now >= hands.closes) return fail({ code: 'closed' as const });
        await raiseHands(tx, { course: course.id, post: question.post, person: actor.id }, choice);
        return ok(null);
      });
    case 'keep':
    case 'unkeep':
      if (!staff) return fail({ code: 'not-yours-to-do' });
      return change({ keptAt: act === 'keep' ? deps.now : null });
    case 'take':
    case 'leave':
      if (!staff) return fail({ code: 'not-yours-to-do' });
      return change({ taken: act === 'take' ? actor.id : null });
    case 'label':
      if (!staff) return fail({ code: 'not-yours-to-do' });
      return change({ label: label ?? '' });
    case 'merge': {
      if (!staff) return fail({ code: 'not-yours-to-do' });
      const other = all.find((q) => q.number === into && q.mergedInto === null && q.kind === 'asks');
      const [target] = other ? await visiblePosts(deps.db, actor, entered, [other.post]) : [];
      // Whoever is sent there has to be able to read it.
      const forAll =
        target && target.privateTo === null && !target.grouped && !target.withdrawn && !target.hidden;
      if (!other || other.post === question.post || question.kind !== 'asks' || !forAll)
        return fail({ code: 'no-such-question' });
      const place = { course: course.id, discussion: entered.record.id };
      await deps.db.transaction(async (tx) => {
        await mergeQuestion(tx, place, question.post, other.post);
        await tellMerged(deps, tx, place, { from: question, into: other, by: actor.id });
      });
      return ok(null);
    }
    case 'confirm':
    case 'unconfirm': {
      if (!staff) return fail({ code: 'not-yours-to-do' });
      const [answer] = post ? await visiblePosts(deps.db, actor, entered, [postId(post)]) : [];
      if (!answer || answer.thread !== question.post || answer.kind !== 'reply')
        return fail({ code: 'not-found' });
      // Staff's own word needs nobody's.
      if (isStaff(answer.author.role)) return fail({ code: 'not-yours-to-do' });
      if (answer.withdrawn || answer.hidden) return fail({ code: 'gone' });
      await confirmAnswer(deps.db, answer.id, actor.id, act === 'confirm', deps.now);
      return ok(null);
    }
  }
}
