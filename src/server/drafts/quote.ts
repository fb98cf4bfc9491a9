import { randomUUID } from 'node:crypto';
import type { z } from 'zod';
import type { KeepFailure, Kept, quotationSchema } from '@/contract/writing';
import { withQuotation } from '@/core/posts/quote';
import { startingDocument } from '@/core/document/compose';
import { ok, type Result } from '@/core/result';
import { draftFor } from '@/db/queries/drafts';
import { enterRoom } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { keepDraft } from './keep';

/** Puts a passage with its source at the end of the draft of one's response, which is begun where there is none. */
export async function quoteIntoDraft(
  deps: Deps,
  actor: Actor,
  slug: string,
  quotation: z.infer<typeof quotationSchema>,
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
    doc: withQuotation(draft?.doc ?? startingDocument(record.brief.parts), quotation),
    base: draft?.revision ?? 0,
    // Another window may be writing: what it wrote on is not replaced but asked about there.
    conflict: 'tell',
  });
  return kept.ok ? ok(kept.value) : kept;
}
