import { beginningOf } from '@/core/document/beginning';
import { parseDocument } from '@/core/document/document';
import { LIMITS } from '@/core/document/limits';
import type { Doc } from '@/core/document/nodes';
import { documentOf } from '@/core/formats/as-document';
import { MOST_READ } from '@/core/prompts/read-prompt';

/** A prompt is a page or two; drawing ten thousand list items would keep everybody else waiting. */
const MOST = { nodes: 1_500, characters: LIMITS.bytes / 2 };

/** What can stand as a prompt of a text: the whole, or as far as is read, when it is longer than a prompt may be. */
export function fitting(doc: Doc, whole: string): { doc: Doc; cut: boolean } {
  const begun = beginningOf(doc, MOST);
  const part = parseDocument(begun.doc);
  if (part.ok) return { doc: part.value, cut: begun.cut || whole.length > MOST_READ };
  const words = whole.replace(/\s+/gu, ' ').slice(0, MOST_READ);
  return { doc: documentOf(words), cut: true };
}
