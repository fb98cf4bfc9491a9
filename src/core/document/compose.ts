import type { Part } from '../brief/brief';
import { bareQuestion } from '../brief/question';
import { inlineText } from './inline';
import type { AnyNode, TextOut } from './kind';
import type { BlockNode, Doc } from './nodes';
import { blockKind } from './registry';

const paragraphOf = (text: string): BlockNode =>
  text === ''
    ? { type: 'paragraph' }
    : {
        type: 'paragraph',
        content: text
          .split('\n')
          .flatMap((line, i) => [
            ...(i > 0 ? [{ type: 'hardBreak' as const }] : []),
            ...(line ? [{ type: 'text' as const, text: line }] : []),
          ]),
      };

const headingOf = (part: Part): BlockNode => ({
  type: 'partHeading',
  attrs: { part: part.id, text: part.text },
});

/** Paragraphs of plain text: a blank line parts them, a line that starts with `>` is a quotation. */
function blocksFromText(text: string): BlockNode[] {
  const clean = text.replace(/\r\n?/gu, '\n').replace(/\u0000/gu, '');
  const chunks = clean
    // A run of quoted lines stands for itself, whether or not blank lines set it off.
    .replace(/(^|\n)((?:>[^\n]*(?:\n|$))+)/gu, '$1\n$2\n')
    .split(/\n[ \t]*\n+/u)
    .map((c) => c.replace(/^\n+/u, '').trimEnd())
    .filter((c) => c !== '');
  return chunks.map((chunk) =>
    chunk.startsWith('>')
      ? { type: 'blockquote', content: [paragraphOf(chunk.replace(/^>[ \t]?/gmu, ''))] }
      : paragraphOf(chunk),
  );
}

/**
 * A document from one text (a reply, or a response to a prompt without parts).
 * @example documentFromText('') // { type: 'doc', content: [{ type: 'paragraph' }] }
 */
export function documentFromText(text: string): Doc {
  const content = blocksFromText(text);
  return { type: 'doc', content: content.length ? content : [{ type: 'paragraph' }] };
}

/**
 * A response's document from one text for each part, each under its part heading.
 * @example two parts and their texts: heading, paragraph, heading, paragraph
 */
export function documentFromParts(parts: Part[], texts: string[]): Doc {
  if (parts.length === 0) return documentFromText(texts[0] ?? '');
  return {
    type: 'doc',
    content: parts.flatMap((part, i) => {
      const blocks = blocksFromText(texts[i] ?? '');
      return [headingOf(part), ...(blocks.length ? blocks : [{ type: 'paragraph' as const }])];
    }),
  };
}

/**
 * What an editor opens with: a heading for each part and room beneath it.
 * @example startingDocument([]) // one empty paragraph
 */
export const startingDocument = (parts: Part[]): Doc => documentFromParts(parts, []);

const blockText = (node: AnyNode): string => blockKind(node)?.text(node, TEXT) ?? '';
const TEXT: TextOut = { blocks: (nodes) => nodes.map(blockText) };

/**
 * The way back for the form that works without scripts: a text for each part. What stands before the first part
 * heading goes to the first part, so no word is left out.
 *
 * @example textsOfParts([], documentFromText('One.')) // ['One.']
 */
export function textsOfParts(parts: Part[], doc: Doc): string[] {
  const texts: string[][] = parts.length ? parts.map(() => []) : [[]];
  let at = 0;
  for (const node of doc.content) {
    if (node.type === 'partHeading') {
      const part = parts.findIndex((p) => p.id === node.attrs.part);
      if (part >= 0) at = part;
      continue;
    }
    const text = blockText(node);
    if (text) texts[at]?.push(text);
  }
  return texts.map((t) => t.join('\n\n'));
}

/**
 * The same document with a heading for each part that has none; what is written stays. A heading goes before the next
 * part's, so that the questions stand in their order, or to the end.
 *
 * @example a text with the second heading only gets the first before it, with an empty paragraph
 */
export function withPartHeadings(parts: Part[], doc: Doc): Doc {
  const order = new Map(parts.map((p, i) => [p.id, i]));
  return parts.reduce<Doc>((now, part, i) => {
    const placed = (n: BlockNode) => (n.type === 'partHeading' ? (order.get(n.attrs.part) ?? -1) : -1);
    if (now.content.some((n) => placed(n) === i)) return now;
    const next = now.content.findIndex((n) => placed(n) > i);
    const at = next < 0 ? now.content.length : next;
    const added: BlockNode[] = [headingOf(part), { type: 'paragraph' }];
    return { type: 'doc', content: [...now.content.slice(0, at), ...added, ...now.content.slice(at)] };
  }, doc);
}

/**
 * The same document where a question of the prompt that somebody wrote out is the heading of its part.
 * @example a paragraph "1. Which plan?" becomes the heading of the part that asks it
 */
export function withPartsFound(parts: Part[], doc: Doc): Doc {
  const left = new Map(parts.map((p) => [bareQuestion(p.text), p]));
  return {
    type: 'doc',
    content: doc.content.map((node) => {
      if (node.type !== 'paragraph' && node.type !== 'heading') return node;
      const said = bareQuestion(inlineText(node.content).text);
      const part = said ? left.get(said) : undefined;
      if (!part) return node;
      left.delete(said);
      return headingOf(part);
    }),
  };
}
