import type { z } from 'zod';
import type { askInputSchema } from '@/contract/questions';
import type { ShareFailure } from '@/contract/writing';
import { settled, type Asking, type AskingRefusal } from '@/core/questions/asking';
import type { HandsAsked } from '@/core/questions/hands';
import { instantOf } from '@/core/deadlines/wallclock';
import { fail, ok, type Result } from '@/core/result';
import { ask as asked } from '@/db/ask';
import { deleteDraft } from '@/db/queries/drafts';
import { askingIn, lineOf, numberOf } from '@/db/queries/questions';
import type { Actor, Deps } from '../deps';
import { share } from '../posts/share';
import type { AskedAs } from './put';
import { enterQuestions } from './questions';

/** What there is to choose, until when; null where no hands are to be shown. */
function handsAsked(
  { now }: Pick<Deps, 'now'>,
  zone: string,
  wanted: boolean,
  asked: HandsAsked | null,
): Result<AskedAs['hands'], { code: 'no-choices' } | { code: 'no-such-time' }> {
  if (!wanted) return ok(null);
  if (!asked) return fail({ code: 'no-choices' });
  try {
    const closes = instantOf(asked.closes, zone);
    return closes > now ? ok({ ...asked, closes }) : fail({ code: 'no-such-time' });
  } catch (error) {
    if (error instanceof RangeError) return fail({ code: 'no-such-time' });
    throw error;
  }
}

/**
 * Asks something of a course, or tells it: a post, shared like any other, with who may see it and who it is from as its asker says. Of a line with the
 * staff there is one for each student: what is written once more goes on under it.
 */
export async function askQuestion(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: Omit<z.output<typeof askInputSchema>, 'hands'> & { hands?: HandsAsked | null },
): Promise<Result<{ number: number }, ShareFailure | AskingRefusal | { code: 'no-choices' }>> {
  const door = await enterQuestions(deps, actor, slug);
  if (!door.ok) return door;
  const { course, entered } = door.value;
  const rules = await asked(askingIn(deps.db, course.id, actor.id));
  // Staff are no classmates: under cover they would speak as one.
  const wanted: Asking = entered.staff ? { ...input.asking, cover: 'no' } : input.asking;
  const settling = settled(wanted, {
    grouped: rules.group !== null,
    coverFromStaff: rules.coverFromStaff,
  });
  if (!settling.ok) return fail(settling.failure);
  const { asking } = settling;
  const hands = handsAsked(deps, course.zone, asking.kind === 'hands', input.hands ?? null);
  if (!hands.ok) return hands;
  const line = asking.kind === 'line' ? await lineOf(deps.db, course.id, actor.id) : null;
  const { submission, title, doc } = input;
  const text = { submission, title, doc, private: false };
  const shared = await (line === null
    ? share(
        deps,
        actor,
        entered.record.slug,
        { ...text, kind: 'response', parent: null },
        { ...asking, hands: hands.value },
      )
    : share(deps, actor, entered.record.slug, { ...text, title: '', kind: 'reply', parent: line }));
  if (!shared.ok) return shared;
  // What went on under the line was written as a question: it is no draft of one any more.
  if (line !== null)
    await deleteDraft(deps.db, {
      author: actor.id,
      discussion: entered.record.id,
      kind: 'response',
      parent: null,
    });
  return ok({ number: await numberOf(deps.db, shared.value.post) });
}
