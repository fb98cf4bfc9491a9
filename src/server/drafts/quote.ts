import { randomUUID } from 'node:crypto';
import type { z } from 'zod';
import type { KeepFailure, Kept, quotationSchema } from '@/contract/writing';
import { quotationBlocks, withBlocks } from '@/core/posts/quote';
import { documentFromText, startingDocument } from '@/core/document/compose';
import type { BlockNode } from '@/core/document/nodes';
import { ok, type Result } from '@/core/result';
import { draftFor } from '@/db/queries/drafts';
import { enterRoom } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { keepDraft } from './keep';

/** Puts a passage with its source at the end of the draft of one's response. */
export const quoteIntoDraft = (
  deps: Deps,
  actor: Actor,
  slug: string,
  quotation: z.infer<typeof quotationSchema>,
) => addToDraft(deps, actor, slug, quotationBlocks(quotation));

/** Puts what one noted to oneself at the end of the draft of one's response, in its paragraphs. */
export const noteIntoDraft = (deps: Deps, actor: Actor, slug: string, note: string) =>
  addToDraft(deps, actor, slug, documentFromText(note).content);

/** The draft of a response with more at its end; it is begun where there is none. */
async function addToDraft(
  deps: Deps,
  actor: Actor,
  slug: string,
  blocks: readonly BlockNode[],
): Promise<Result<Kept, KeepFailure>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const key = { author: actor.id, discussion: record.id, kind: 'response' as const, parent: null };
  const draft = await draftFor(deps.db, key);
  const kept = await keepDraft(deps, actor, slug, {
    kind: 'response',
    parent: null,
    submission: draft?.submission ?? randomUUID(),
    title: draft?.title ?? '',
    doc: withBlocks(draft?.doc ?? startingDocument(record.brief.parts), blocks),
    base: draft?.revision ?? 0,
    // Another window may be writing: what it wrote on is not replaced but asked about there.
    conflict: 'tell',
  });
  return kept.ok ? ok(kept.value) : kept;
}
