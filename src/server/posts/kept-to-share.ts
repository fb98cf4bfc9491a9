import type { DiscussionHead } from '@/contract/discussion';
import { previewVerdict } from '@/core/counting/preview';
import type { PostKind, Verdict } from '@/core/counting/types';
import type { CheckFigure } from '@/core/checks/types';
import { isStaff, type PostId } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { fail, ok, type Result } from '@/core/result';
import { draftFor } from '@/db/queries/drafts';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { headOf } from '../discussions/head';
import { answerable } from '../drafts/keep';
import { figuresOf, quotable } from './check-text';
import { givenTo } from './given';

/** A kept draft on its way to the class, with what is to be said before it goes. */
export type KeptToShare = {
  head: DiscussionHead;
  draft: { submission: string; revision: number; title: string; doc: Doc };
  /** Whom a reply answers. */
  to: string | null;
  /** Required checks it does not meet. */
  lacking: CheckFigure[];
  /** What it would count as; null for staff, who owe nothing. */
  verdict: Verdict | null;
};

/** Whether there is anything to say before a text is shared: it is short, or would not count. */
export const wantsAsking = ({ lacking, verdict }: Pick<KeptToShare, 'lacking' | 'verdict'>) =>
  lacking.length > 0 || (verdict !== null && !verdict.counted);

/** The draft that was kept in a place, as it would be shared. Not found where there is none. */
export async function keptToShare(
  deps: Deps,
  actor: Actor,
  slug: string,
  place: { kind: PostKind; parent: PostId | null },
): Promise<Result<KeptToShare, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const { record, ledgerInput } = entered;
  const { kind, parent } = place;
  const [kept, answered, readings] = await Promise.all([
    draftFor(deps.db, { author: actor.id, discussion: record.id, kind, parent }),
    answerable(deps.db, actor, entered, parent),
    quotable(deps.db, record),
  ]);
  if (!kept || (kind === 'reply') !== (answered !== null)) return fail({ code: 'not-found' });
  const { submission, revision, title, doc } = kept;
  const { checks, unmet } = await figuresOf(deps, actor, {
    brief: record.brief,
    kind,
    title,
    doc,
    answered,
    readings,
    given: await givenTo(deps.db, actor, entered, kind, answered),
  });
  const to = answered && {
    person: answered.author.id,
    staff: isStaff(answered.author.role),
    side: answered.author.side,
  };
  return ok({
    head: headOf(deps, entered),
    draft: { submission, revision, title, doc },
    to: answered?.author.name ?? null,
    lacking: checks.filter((c) => c.required && !c.met),
    verdict: ledgerInput && previewVerdict(ledgerInput, { kind, to }, unmet),
  });
}
