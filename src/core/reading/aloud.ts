import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';
import { sentences } from '../text/sentences';

/** A sentence to be read aloud, with where it stands in the document. */
export type SpokenSentence = { text: string; from: number; to: number };

/** A voice loses its thread in what is much longer than this; such a sentence is spoken in pieces. */
const LONGEST = 220;

/** A long sentence at its commas and semicolons, as evenly as they allow. */
function breaths(text: string): { text: string; start: number }[] {
  const out: { text: string; start: number }[] = [];
  let start = 0;
  while (text.length - start > LONGEST) {
    const window = text.slice(start, start + LONGEST);
    const cut = Math.max(
      window.lastIndexOf('; '),
      window.lastIndexOf(', '),
      window.lastIndexOf(' – '),
      window.lastIndexOf(': '),
    );
    const end = start + (cut > LONGEST / 3 ? cut + 2 : window.lastIndexOf(' ') + 1 || LONGEST);
    out.push({ text: text.slice(start, end).trimEnd(), start });
    start = end;
  }
  out.push({ text: text.slice(start), start });
  return out.filter((b) => b.text !== '');
}

/**
 * The sentences of a document in reading order, headings and cells among them, as a voice speaks them one by one.
 * @example sentencesToSpeak(documentFromText('One. Two.')) // two, each with its place
 */
export function sentencesToSpeak(doc: Doc): SpokenSentence[] {
  return flatten(doc).flatMap((line) =>
    line.kind === 'part-heading'
      ? []
      : sentences(line.text).flatMap((s) =>
          breaths(s.text).map((b) => ({
            text: b.text,
            from: line.pos + s.start + b.start,
            to: line.pos + s.start + b.start + b.text.length,
          })),
        ),
  );
}
