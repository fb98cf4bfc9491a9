import { documentOf } from '@/core/formats/as-document';
import { LIMITS } from '@/core/document/limits';
import { parseDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { MOST_READ } from '@/core/prompts/read-prompt';

/** What can stand as a prompt of a text: the whole, or as far as is read, when it is longer than a document may be. */
export function fitting(doc: Doc, whole: string): { doc: Doc; cut: boolean } {
  const all = parseDocument(doc);
  if (whole.length <= MOST_READ && all.ok) return { doc: all.value, cut: false };
  const kept: Doc['content'] = [];
  let size = 0;
  for (const node of doc.content) {
    size += JSON.stringify(node).length;
    if (size > LIMITS.bytes / 2) break;
    kept.push(node);
  }
  const part = parseDocument({ type: 'doc', content: kept });
  if (kept.length && part.ok) return { doc: part.value, cut: true };
  return { doc: documentOf(whole.slice(0, MOST_READ / 2).replace(/\n[^\n]*$/u, '')), cut: true };
}
