import type { Feedback } from '@/contract/marks';
import { askedChecks } from '@/core/brief/asked-checks';
import type { Doc } from '@/core/document/nodes';
import { lossesOf } from '@/core/marks/losses';
import { askTogether } from '@/db/ask';
import { givenBackIn } from '@/db/queries/given-back';
import { releasedTo } from '@/db/queries/marks';
import type { Entered } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { asksAgain } from './again';
import { placesOf, talkAsks, talkOf } from './comments';
import { givenBy, releasedView } from './released';

/** What was released to somebody in a discussion: mark, comments in the texts they shared, and what was said about those. */
export async function feedbackFor(
  deps: Deps,
  actor: Actor,
  { record, ledger, own }: Entered,
  texts: readonly { id: number; n: number; doc: Doc }[],
): Promise<Feedback> {
  const key = { course: record.course.id, discussion: record.id, person: actor.id };
  const { released, back, ...said } = await askTogether(deps.db, {
    released: releasedTo(deps.db, actor.id, record.id),
    back: givenBackIn(deps.db, key),
    ...talkAsks(deps, key),
  });
  const [mark] = released;
  if (!mark) return { mark: null, losses: [], places: {}, talk: {}, again: null };
  const marked = { rubric: record.rubric, points: record.classBrief.points };
  const { scheme, late, mark: given } = givenBy(mark, marked);
  return {
    mark: releasedView(mark, marked),
    losses: ledger ? lossesOf(scheme, given, late, ledger, askedChecks(record.brief)) : [],
    places: await placesOf(deps, actor, given.comments, texts),
    talk: talkOf(actor.id, said),
    again: asksAgain(mark)
      ? {
          givenBack: back.find((b) => b.n === mark.n)?.at ?? null,
          changed: own.some((p) => p.versions.some((v) => v.at > mark.releasedAt)),
        }
      : null,
  };
}
