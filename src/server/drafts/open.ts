import { randomUUID } from 'node:crypto';
import type { Brief } from '@/core/brief/brief';
import { checkDraft, type Checked } from '@/core/checks/checks';
import type { PostKind } from '@/core/counting/types';
import type { Instant } from '@/core/ids';
import type { Doc } from '@/core/posts/document';
import type { DraftRecord } from '@/db/queries/drafts';

/** A draft as an editor opens it; `keptAt` is null when nothing was kept yet. */
export type OpenDraft = {
  submission: string;
  revision: number;
  title: string;
  doc: Doc;
  keptAt: Instant | null;
  checked: Checked;
  /** The texts that quotations are looked for in. */
  readings: readonly string[];
};

/**
 * The draft that was kept, or a new one that begins with `fresh`, and how it stands to its brief. Where the evidence is the
 * browser finds again when it has the text in its editor, so it does not travel.
 */
export function openDraft(
  kept: DraftRecord | null,
  fresh: { title: string; doc: Doc },
  against: {
    kind: PostKind;
    brief: Brief;
    answered: { author: { name: string }; plain: string } | null;
    readings?: readonly string[];
  },
): OpenDraft {
  const { kind, brief, answered, readings = [] } = against;
  const { title, doc } = kept ?? fresh;
  const { checks, figures } = checkDraft(
    kind === 'response'
      ? { kind, brief, readings }
      : { kind, brief, answered: { name: answered?.author.name ?? '', text: answered?.plain ?? '' } },
    { title, doc },
  );
  return {
    submission: kept?.submission ?? randomUUID(),
    revision: kept?.revision ?? 0,
    title,
    doc,
    keptAt: kept?.keptAt ?? null,
    readings,
    checked: { figures, substance: null, checks: checks.map((c) => ({ ...c, evidence: [] })) },
  };
}
