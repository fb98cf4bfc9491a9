import type { QuestionAct } from '@/contract/questions';
import { isStaff, postId } from '@/core/ids';
import { mayRaise } from '@/core/questions/hands';
import type { SlotRefusal } from '@/core/questions/meeting';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import { handsOf, raiseHands } from '@/db/queries/hands';
import { changeQuestion, confirmAnswer, insertSpared, questionsOf } from '@/db/queries/questions';
import { dropSaved } from '@/db/queries/saved-answers';
import type { NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import type { Acting } from './acting';
import { changeHour, chooseSlot } from './meeting';
import { sayOpen, wantOpen } from './opening';
import { putTogether } from './put-together';
import { enterQuestions } from './questions';
import { keepAnswer } from './saved';

type Refused =
  | { code: 'not-yours-to-do' }
  | { code: 'gone' }
  | { code: 'no-such-question' }
  | { code: 'no-such-time' }
  | { code: 'closed' }
  | { code: SlotRefusal };
type Done = Promise<Result<null, NotFound | Refused>>;

const STAFF_ONLY: ReadonlySet<QuestionAct['act']> = new Set([
  'keep',
  'unkeep',
  'take',
  'leave',
  'label',
  'merge',
  'merge-here',
  'confirm',
  'unconfirm',
  'want-open',
  'move-meeting',
  'call-off',
  'save-answer',
  'drop-saved',
]);

/** Raises one's hand for some of what there is to choose, or takes it down. */
const raise = ({ deps, actor, course, question }: Acting, choice: readonly number[]): Done =>
  deps.db.transaction(async (tx) => {
    const hands = await handsOf(tx, question.post, true);
    if (!hands || !mayRaise(hands, choice)) return fail({ code: 'no-such-question' as const });
    if (deps.now >= hands.closes) return fail({ code: 'closed' as const });
    await raiseHands(tx, { course: course.id, post: question.post, person: actor.id, now: deps.now }, choice);
    return ok(null);
  });

/** Says that a classmate's answer is right, or takes that back. */
async function confirm(
  { deps, actor, entered, question }: Acting,
  post: number | undefined,
  on: boolean,
): Done {
  const [answer] = post ? await visiblePosts(deps.db, actor, entered, [postId(post)]) : [];
  if (!answer || answer.thread !== question.post || answer.kind !== 'reply')
    return fail({ code: 'not-found' });
  // Staff's own word needs nobody's.
  if (isStaff(answer.author.role)) return fail({ code: 'not-yours-to-do' });
  if (answer.withdrawn || answer.hidden) return fail({ code: 'gone' });
  await confirmAnswer(deps.db, answer.id, actor.id, on, deps.now);
  return ok(null);
}

/**
 * What is done with a question beside answering it: its asker says that it is answered, or is not, or that everybody may read it; staff keep it on top, take it
 * on, label it, put it together with others, and confirm what a classmate answered. Whoever found in it what they wanted to ask says so, and is counted.
 */
export async function actOnQuestion(
  deps: Deps,
  actor: Actor,
  slug: string,
  number: number,
  said: QuestionAct,
): Done {
  const door = await enterQuestions(deps, actor, slug);
  if (!door.ok) return door;
  const { course, entered } = door.value;
  const all = await ask(questionsOf(deps.db, course.id));
  const question = all.find((q) => q.number === number);
  const [root] = question ? await visiblePosts(deps.db, actor, entered, [question.post]) : [];
  if (!question || !root) return fail({ code: 'not-found' });
  const acting: Acting = { deps, actor, course, entered, question, root };
  const mine = root.author.id === actor.id;
  if (STAFF_ONLY.has(said.act) && !entered.staff) return fail({ code: 'not-yours-to-do' });
  const change = (what: Parameters<typeof changeQuestion>[2]) =>
    changeQuestion(deps.db, question.post, what).then(() => ok(null));
  const named = (n: number | undefined) => all.find((q) => q.number === n);
  switch (said.act) {
    case 'settle':
    case 'reopen':
      if (!mine && !entered.staff) return fail({ code: 'not-yours-to-do' });
      return change({ answeredAt: said.act === 'settle' ? deps.now : null });
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
      return raise(acting, said.choice ?? []);
    case 'take-slot':
      return said.slot === undefined ? fail({ code: 'no-such-slot' }) : chooseSlot(acting, said.slot);
    case 'give-slot':
      return chooseSlot(acting, null);
    case 'move-meeting':
      return changeHour(acting, { starts: said.starts ?? '', place: said.place ?? '' });
    case 'call-off':
      return changeHour(acting, 'off');
    case 'keep':
    case 'unkeep':
      return change({ keptAt: said.act === 'keep' ? deps.now : null });
    case 'take':
    case 'leave':
      return change({ taken: said.act === 'take' ? actor.id : null });
    case 'label':
      return change({ label: said.label ?? '' });
    case 'merge':
      return putTogether(acting, [question], named(said.into));
    case 'merge-here': {
      const from = (said.from ?? []).map(named);
      const sound = from.filter((q) => q !== undefined);
      return sound.length === from.length
        ? putTogether(acting, sound, question)
        : fail({ code: 'no-such-question' });
    }
    case 'confirm':
    case 'unconfirm':
      return confirm(acting, said.post, said.act === 'confirm');
    case 'want-open':
      return wantOpen(acting);
    case 'open-it':
    case 'keep-closed':
      return sayOpen(acting, said.act === 'open-it');
    case 'save-answer':
      return keepAnswer(acting, said.post);
    case 'drop-saved':
      if (said.saved) await dropSaved(deps.db, actor.id, said.saved);
      return ok(null);
  }
}
