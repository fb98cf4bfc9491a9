import type { ReplySubstance } from '@/contract/progress';
import type { NotRead } from '@/contract/not-read';
import { fail, ok, type Result } from '@/core/result';
import { askTogether } from '@/db/ask';
import { discussionsOf } from '@/db/queries/discussions';
import { ownReplies } from '@/db/queries/reach';
import type { Actor, Deps } from '../deps';
import { OTHERS } from '../discussions/answering';
import { readFor } from '../readers/readers';

/** So many of the newest replies: two terms of them. */
const MOST = 90;

/**
 * What one's own replies were judged to be, discussion by discussion: thin, fair or substantive. For their writer's eyes alone; nobody is
 * marked by it, and nothing of it is kept.
 */
export async function replySubstance(
  deps: Deps,
  actor: Actor,
): Promise<Result<{ weeks: ReplySubstance[] }, NotRead>> {
  const { replies, records } = await askTogether(deps.db, {
    replies: ownReplies(deps.db, actor.id, { ...OTHERS, most: MOST }),
    records: discussionsOf(deps.db, actor.id, {}),
  });
  if (replies.length === 0) return ok({ weeks: [] });
  const judged = await readFor(deps, actor, 'substance', {
    replies: replies.map(({ text, peer, prompt, concepts, others }) => ({
      text,
      answered: {
        peer,
        prompt,
        others,
        concepts: concepts.flatMap((c) => [c.term, ...c.aliases]),
      },
    })),
  });
  if (!judged.ok) return fail(judged.failure);
  const weeks = records.flatMap((record): ReplySubstance[] => {
    const verdicts = replies.flatMap((r, i) => (r.discussion === record.id ? (judged.value[i] ?? []) : []));
    const n = (verdict: string) => verdicts.filter((v) => v === verdict).length;
    return verdicts.length
      ? [
          {
            course: record.course.code,
            week: record.week.number,
            substantive: n('substantive'),
            fair: n('fair'),
            thin: n('thin'),
          },
        ]
      : [];
  });
  return ok({ weeks: weeks.sort((a, b) => a.week - b.week || a.course.localeCompare(b.course)) });
}
