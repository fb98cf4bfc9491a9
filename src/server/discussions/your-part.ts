import type { DiscussionHead } from '@/contract/discussion';
import type { Feedback } from '@/contract/marks';
import type { RubricSheet } from '@/contract/rubric';
import type { OwnShared } from '@/contract/part';
import { ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
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
  const [texts, estimate] = await Promise.all([
    sharedTexts(deps.db, actor.id, entered.record.id),
    ask(estimateAsk(deps, actor.id, entered)),
  ]);
  const shared = texts.flatMap((post): OwnShared[] => {
    const own = entered.own.find((p) => p.id === post.id);
    if (!own) return [];
    return [
      {
        verdict: entered.ledger?.verdicts.find((v) => v.post === post.id) ?? null,
        to: own.toName,
        private: own.private,
        withdrawn: own.withdrawn,
        text: judgedText(post, entered.ledger),
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
