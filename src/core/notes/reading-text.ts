import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';

type Piece = { start: number; end: number; pos: number };

/**
 * A reading as one text, its lines with a line's end between them, and the way between offsets of that text and the
 * editor's positions of the document.
 */
export type ReadingText = {
  text: string;
  /** The stretches of the document that a stretch of the text covers, a line each. */
  stretches: (start: number, end: number) => { from: number; to: number }[];
  /** The offset of a position of the document. */
  offsetOf: (pos: number) => number;
};

/** @example a document of two paragraphs "a" and "b" gives the text 'a\nb' */
export function readingText(doc: Doc): ReadingText {
  let text = '';
  const pieces: Piece[] = flatten(doc).map((line) => {
    if (text) text += '\n';
    const start = text.length;
    text += line.text;
    return { start, end: text.length, pos: line.pos };
  });
  return {
    text,
    stretches: (start, end) =>
      pieces
        .filter((p) => start < p.end && end > p.start)
        .map((p) => ({
          from: p.pos + Math.max(0, start - p.start),
          to: p.pos + Math.min(p.end, end) - p.start,
        })),
    offsetOf: (pos) => {
      const piece = pieces.findLast((p) => p.pos <= pos) ?? pieces[0];
      return piece ? Math.min(piece.end, Math.max(piece.start, piece.start + pos - piece.pos)) : 0;
    },
  };
}
