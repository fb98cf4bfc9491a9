import type { DiscussionHead } from '@/contract/discussion';
import type { RubricSheet } from '@/contract/rubric';
import type { OwnDelivery } from '@/contract/part';
import { ok, type Result } from '@/core/result';
import { askTogether } from '@/db/ask';
import { deliveredPosts } from '@/db/queries/own-posts';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { sheetAsks, sheetOf } from '../rubric/rubric';
import { deliveredWith } from './delivered';
import { headOf } from './head';

export type YourPart = { head: DiscussionHead; delivered: OwnDelivery[]; sheet: RubricSheet | null };

export async function yourPart(deps: Deps, actor: Actor, slug: string): Promise<Result<YourPart, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const [texts, found] = await Promise.all([
    deliveredPosts(deps.db, actor.id, entered.record.id),
    askTogether(deps.db, sheetAsks(deps, actor.id, entered)),
  ]);
  return ok({
    head: headOf(deps, entered),
    sheet: sheetOf(entered, found),
    delivered: texts.flatMap((post) => {
      const own = entered.own.find((p) => p.id === post.id);
      if (!own) return [];
      return [
        {
          verdict: entered.ledger?.verdicts.find((v) => v.post === post.id) ?? null,
          to: own.toName,
          private: own.private,
          withdrawn: own.withdrawn,
          text: deliveredWith(post, entered.ledger),
        },
      ];
    }),
  });
}
