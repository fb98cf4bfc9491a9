import type { OpenDraft } from '@/contract/discussion';
import { randomUUID } from 'node:crypto';
import type { Brief } from '@/core/brief/brief';
import { checkDraft, type CheckRules } from '@/core/checks/check-draft';
import type { Given } from '@/core/checks/not-own';
import type { PostKind } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import type { DraftRecord } from '@/db/queries/drafts';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';

/**
 * The draft that was kept, or a new one that begins with `fresh`, and how it stands to its brief. Where the evidence is, the
 * browser finds again when it has the text in its editor.
 */
export async function openDraft(
  deps: Deps,
  actor: Actor,
  kept: DraftRecord | null,
  fresh: { title: string; doc: Doc },
  against: {
    kind: PostKind;
    brief: Brief;
    answered: { author: { name: string }; plain: string } | null;
    readings?: readonly string[];
    given: readonly Given[];
  },
): Promise<OpenDraft> {
  const { kind, brief, answered, readings = [], given } = against;
  const { title, doc } = kept ?? fresh;
  const rules: CheckRules =
    kind === 'response'
      ? { kind, brief, readings, given }
      : { kind, brief, answered: { name: answered?.author.name ?? '', text: answered?.plain ?? '' }, given };
  const read = await readFor(deps, actor, 'draft', { rules, text: { title, doc } });
  // A text that cannot be checked in time opens as if it said nothing; its writer's own machine goes on checking it.
  const { checks, figures } = read.ok
    ? read.value
    : checkDraft(rules, { title: '', doc: { type: 'doc', content: [] } });
  return {
    submission: kept?.submission ?? randomUUID(),
    revision: kept?.revision ?? 0,
    title,
    doc,
    keptAt: kept?.keptAt ?? null,
    readings,
    given,
    checked: { figures, substance: null, checks },
  };
}
