import type { DiscussionHead } from '@/contract/discussion';
import type { Feedback } from '@/contract/marks';
import type { RubricSheet } from '@/contract/rubric';
import type { OwnShared } from '@/contract/part';
import { ok, type Result } from '@/core/result';
import { readBy } from '@/core/reading/read-by';
import { askTogether } from '@/db/ask';
import { reachOf } from '@/db/queries/reach';
import { sharedTexts } from '@/db/queries/own-posts';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { feedbackFor } from '../marks/feedback';
import { estimateAsk } from '../rubric/rubric';
import { judgedText } from './shared-text';
import { headOf } from './head';

export type YourPart = { head: DiscussionHead; shared: OwnShared[]; sheet: RubricSheet; feedback: Feedback };

export async function yourPart(deps: Deps, actor: Actor, slug: string): Promise<Result<YourPart, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const { record } = entered;
  const [texts, { estimate, reach }] = await Promise.all([
    sharedTexts(deps.db, actor.id, record.id),
    askTogether(deps.db, {
      estimate: estimateAsk(deps, actor.id, entered),
      reach: reachOf(deps.db, { course: record.course.id, discussion: record.id }, actor.id),
    }),
  ]);
  const shared = texts.flatMap((post): OwnShared[] => {
    const own = entered.own.find((p) => p.id === post.id);
    if (!own) return [];
    const came = reach.get(post.id);
    return [
      {
        verdict: entered.ledger?.verdicts.find((v) => v.post === post.id) ?? null,
        to: own.toName,
        private: own.private,
        withdrawn: own.withdrawn,
        text: judgedText(post, entered.ledger),
        reach: {
          readBy: readBy(came?.readers ?? 0),
          replies: came?.replies ?? 0,
          wellSaid: came?.wellSaid ?? 0,
        },
      },
    ];
  });
  return ok({
    head: headOf(deps, entered),
    sheet: { rubric: entered.record.rubric, estimate },
    shared,
    feedback: await feedbackFor(
      deps,
      actor,
      entered,
      shared.map((s) => s.text),
    ),
  });
}
