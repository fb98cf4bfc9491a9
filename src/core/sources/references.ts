import type { BlockNode, Doc, InlineNode } from '../document/nodes';

const textOf = (content: InlineNode[] | undefined) =>
  (content ?? []).map((n) => (n.type === 'text' ? n.text : '')).join('');
const HEADING = /^(?:references|works cited|bibliography|reference list|sources)\s*:?$/iu;

/**
 * A document with an entry in its reference list, which is begun at the end where there is none. Entries stand in the order
 * of the alphabet; one that is there already is not written twice.
 *
 * @example of a text without a list: a heading and the entry at its end
 */
export function withReference(doc: Doc, entry: InlineNode[], heading: string): Doc {
  const said = textOf(entry);
  const at = doc.content.findIndex(
    (n) => (n.type === 'heading' || n.type === 'paragraph') && HEADING.test(textOf(n.content).trim()),
  );
  const added: BlockNode = { type: 'paragraph', content: entry };
  if (at < 0) {
    const title: BlockNode = {
      type: 'heading',
      attrs: { level: 3 },
      content: [{ type: 'text', text: heading }],
    };
    return { type: 'doc', content: [...doc.content, title, added] };
  }
  let end = at + 1;
  while (doc.content[end]?.type === 'paragraph') end += 1;
  const entries = doc.content
    .slice(at + 1, end)
    .map((n) => (n.type === 'paragraph' ? textOf(n.content) : ''));
  if (entries.includes(said)) return doc;
  const before = entries.findIndex((e) => e.localeCompare(said, 'en') > 0);
  const place = before < 0 ? end : at + 1 + before;
  return { type: 'doc', content: [...doc.content.slice(0, place), added, ...doc.content.slice(place)] };
}
