import type { BlockNode, Doc } from '../document/nodes';

/** A passage of a reading on its way into a text: its words, and what stands beneath them as their source. */
export type Quotation = { text: string; source: string };

const paragraph = (text: string): BlockNode => ({ type: 'paragraph', content: [{ type: 'text', text }] });

/**
 * The blocks of a quotation: the words in their lines, then the source in brackets as the writer’s own line.
 * @example a quotation of one line gives a blockquote and the paragraph '(Noor Vasquez)'
 */
export const quotationBlocks = ({ text, source }: Quotation): BlockNode[] => [
  {
    type: 'blockquote',
    content: text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean)
      .map(paragraph),
  },
  paragraph(`(${source})`),
];

/**
 * A document with some blocks at its end; an empty last paragraph gives way to them, and one is left to write on in.
 * @example of an empty document: the blocks, and an empty paragraph
 */
export function withBlocks(doc: Doc, blocks: readonly BlockNode[]): Doc {
  const last = doc.content[doc.content.length - 1];
  const before = last?.type === 'paragraph' && !last.content?.length ? doc.content.slice(0, -1) : doc.content;
  return { type: 'doc', content: [...before, ...blocks, { type: 'paragraph' }] };
}

/** How a reading is named where it is quoted. @example sourceOf('M. Holt', 'The wall') // 'M. Holt, “The wall”' */
export const sourceOf = (author: string, title: string) => `${author}, “${title}”`;

/**
 * How a margin note is named where it is quoted: its words are its writer's, and not the reading's.
 * @example noteSourceOf('Noor', 'Chapter 6') // 'Noor, margin note on “Chapter 6”'
 */
export const noteSourceOf = (author: string, title: string) => `${author}, margin note on “${title}”`;
