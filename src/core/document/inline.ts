import { INLINES } from './kinds/inlines';
import type { InlineKind } from './kind';
import type { InlineNode } from './nodes';

export type Link = { start: number; end: number; href: string };
export type InlineText = {
  text: string;
  links: Link[];
  /** What the line holds beside characters, as it is said: each stands in `text` as one {@link OBJECT}. */
  objects: string[];
};

/** What a formula or a note is in a line's text: one character that no word has, so that positions stay the editor's. */
export const OBJECT = '\uFFFC';

const KINDS = new Map<string, InlineKind>(INLINES.map((kind): [string, InlineKind] => [kind.type, kind]));

/**
 * What the kind of a thing among words says of it; undefined for words.
 * @example inlineKind({ type: 'text', text: 'a' }) // undefined
 */
export const inlineKind = (node: InlineNode) => KINDS.get(node.type);

/**
 * How a thing among words is read aloud, searched and quoted.
 * @example said({ type: 'text', text: 'a' }) // 'a'
 */
export const said = (node: InlineNode): string =>
  node.type === 'text' ? node.text : (inlineKind(node)?.says(node) ?? '');

/**
 * The text of one block's inline content.
 * @example inlineText([{ type: 'text', text: 'Let ' }, { type: 'inlineMath', attrs: { latex: 'n' } }]) // 'Let \uFFFC', said "$n$"
 */
export function inlineText(content: readonly InlineNode[] | undefined): InlineText {
  let text = '';
  const links: Link[] = [];
  const objects: string[] = [];
  for (const node of content ?? []) {
    if (node.type === 'text') {
      const link = node.marks?.find((m) => m.type === 'link');
      if (link)
        links.push({ start: text.length, end: text.length + node.text.length, href: link.attrs.href });
      text += node.text;
    } else if (node.type === 'hardBreak') {
      text += said(node);
    } else {
      objects.push(said(node));
      text += OBJECT;
    }
  }
  return { text, links, objects };
}

/**
 * A line as it is read aloud, searched and quoted: its formulas as their LaTeX, its notes in brackets.
 * @example a line of one formula reads as the formula's LaTeX
 */
export const spoken = (line: Pick<InlineText, 'text' | 'objects'>) => {
  let n = 0;
  return line.objects.length ? line.text.replaceAll(OBJECT, () => line.objects[n++] ?? '') : line.text;
};
