import { remember } from '../memo';
import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';
import type { Finding } from './findings';
import { readPrompt } from './read-prompt';

/**
 * A requirement as it stands in a prompt's document: the editor's positions from `from` to `to`, within one line of
 * it, and what is required there.
 */
export type Requirement = { from: number; to: number; facts: Pick<Finding, 'fact' | 'value'>[] };

type Piece = { start: number; end: number; pos: number };

/** The document as the text that is read, and where each of its lines stands in the document. */
function textOf(doc: Doc): { text: string; pieces: Piece[] } {
  let text = '';
  const pieces: Piece[] = [];
  let row: number | undefined;
  for (const line of flatten(doc)) {
    const sameRow = line.row !== undefined && line.row === row;
    row = line.row;
    if (text) text += sameRow ? ' | ' : line.kind === 'item' || row !== undefined ? '\n' : '\n\n';
    if (line.item !== undefined) text += line.item === 0 ? '- ' : `${line.item}. `;
    pieces.push({ start: text.length, end: text.length + line.text.length, pos: line.pos });
    text += line.text;
  }
  return { text, pieces };
}

/** Requirements that overlap are one stretch that says several things. */
function merged(all: Requirement[]): Requirement[] {
  const found: Requirement[] = [];
  for (const r of all.sort((a, b) => a.from - b.from || b.to - a.to)) {
    const last = found[found.length - 1];
    if (last && r.from < last.to) {
      last.to = Math.max(last.to, r.to);
      last.facts.push(...r.facts);
    } else found.push({ ...r, facts: [...r.facts] });
  }
  return found;
}

/** One fact with the words it was read from and where they stand in the document, line by line. */
export type PlacedFact = Pick<Finding, 'fact' | 'value' | 'confidence'> & {
  quote: string;
  places: { from: number; to: number }[];
};

/** Where a text contradicts itself, both of what it says are among the facts, the surer one first. */
export type PromptReading = {
  facts: Finding[];
  placed: PlacedFact[];
  requirements: Requirement[];
  parts: string[];
  cut: boolean;
};

// The same prompt is asked for by everybody in the course.
const readAs = remember((serialised: string): PromptReading => {
  const { text, pieces } = textOf(JSON.parse(serialised) as Doc);
  const { facts: settled, contradictory, parts, cut } = readPrompt(text);
  const facts = [...settled, ...contradictory];
  const placed = facts.map(({ fact, value, confidence, start, end }): PlacedFact => ({
    fact,
    value,
    confidence,
    quote: text.slice(start, end),
    places: pieces
      .filter((p) => start < p.end && end > p.start)
      .map((p) => ({
        from: p.pos + Math.max(0, start - p.start),
        to: p.pos + Math.min(p.end, end) - p.start,
      })),
  }));
  const requirements = placed.flatMap(({ fact, value, places }) =>
    places.map((place) => ({ ...place, facts: [{ fact, value }] })),
  );
  return { facts, placed, requirements: merged(requirements), parts, cut };
}, 400);

/**
 * What a prompt's document requires, and where it says so.
 * @example of a prompt "Write 250 words." one requirement, with the place of "250 words"
 */
export const readDocument = (doc: Doc): PromptReading => readAs(JSON.stringify(doc));
