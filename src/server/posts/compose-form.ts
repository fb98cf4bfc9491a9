import { documentFromParts, documentFromText } from '@/core/document/compose';
import type { Doc } from '@/core/document/nodes';
import { ok, type Result } from '@/core/result';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

export type FormText = {
  kind: 'response' | 'reply';
  parent: number | null;
  submission: string;
  title: string;
  doc: Doc;
  base: number;
};

/** Makes a document of what the plain form sends: a text for each part of the prompt, or one text. */
export async function composeFromForm(
  deps: Deps,
  actor: Actor,
  slug: string,
  form: Omit<FormText, 'doc'> & { text: string[] },
): Promise<Result<FormText, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { kind, parent, submission, title, base, text } = form;
  const parts = kind === 'response' ? door.value.record.brief.parts : [];
  const doc = parts.length ? documentFromParts(parts, text) : documentFromText(text[0] ?? '');
  return ok({ kind, parent, submission, title, base, doc });
}
