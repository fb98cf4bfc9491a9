import type { Part } from '../brief/brief';
import { bareQuestion } from '../brief/question';
import type { Doc } from '../document/nodes';
import { flatten, type Line } from '../document/flatten';
import { quotations, type Span } from '../text/quotations';
import { words, type Word } from '../text/words';
import { notOwn, type Apart, type Given } from './not-own';

/** A line of the document with the part it belongs to, whose words they are, and the words that are the writer's own. */
export type Passage = {
  line: Line;
  part: string | null;
  role: 'own' | 'part-heading' | 'quote' | 'reference';
  /** Quotations inside an own line. */
  quoted: Span[];
  ownWords: Word[];
  otherWords: number;
  /** Stretches of an own line that are no words of the writer's, and how many words they hold. */
  apart: Apart[];
  apartWords: Record<Apart['kind'], number>;
};

const REFERENCE_HEADING =
  /^(references?|reference list|list of references|works cited|bibliography|sources|list of sources)\s*:?$/iu;

/** Each word with the stretch it stands in, if any: one walk along both, for either may be tens of thousands. */
function placed<S extends Span>(all: readonly Word[], spans: readonly S[]): { word: Word; in: S | null }[] {
  const sorted = [...spans].sort((a, b) => a.start - b.start || b.end - a.end);
  let at = 0;
  let reach: S | null = null;
  return all.map((word) => {
    for (let next = sorted[at]; next && next.start <= word.start; next = sorted[at]) {
      if (!reach || next.end > reach.end) reach = next;
      at += 1;
    }
    return { word, in: reach && word.end <= reach.end ? reach : null };
  });
}

/** The part a line repeats word for word, or that a line like "2." or "Question 2:" names; such a line is a heading. */
function partNamedBy(line: Line, parts: Part[]): Part | null {
  if (line.kind === 'quote') return null;
  const text = bareQuestion(line.text);
  const repeated = text !== '' ? parts.find((p) => bareQuestion(p.text) === text) : undefined;
  if (repeated) return repeated;
  const number = /^\s*(?:part|question|q)?\s*(\d{1,2})\s*[.):]?\s*$/iu.exec(line.text)?.[1];
  return number ? (parts[Number(number) - 1] ?? null) : null;
}

/**
 * Reads a document as passages (rule 9). Part headings, a prompt's question pasted back in, quotations and the
 * reference list are told apart from the student's own words. Where the numbered heading of a part was removed, an
 * answer that begins "2." or "2)" still belongs to part 2.
 *
 * @example a line "2. Which plan?" that repeats the second question is a part heading, and its words are nobody's own
 */
export function passages(
  doc: Doc,
  parts: Part[] = [],
  countQuoted = false,
  given: readonly Given[] = [],
): Passage[] {
  const look = notOwn(given);
  let part: string | null = null;
  let inReferences = false;
  return flatten(doc).map((line): Passage => {
    const all = words(line.text);
    const apart = (role: Passage['role']): Passage => ({
      line,
      part,
      role,
      quoted: [],
      ownWords: [],
      otherWords: all.length,
      apart: [],
      apartWords: { repeated: 0, copied: 0 },
    });
    const named = line.part ?? partNamedBy(line, parts)?.id;
    if (named) {
      part = named;
      inReferences = false;
      return apart('part-heading');
    }
    if (REFERENCE_HEADING.test(line.text.trim())) {
      inReferences = true;
      return apart('reference');
    }
    if (line.kind === 'heading') inReferences = false;
    if (inReferences) return apart('reference');
    const numbered = /^\s*(\d{1,2})\s*[.)]\s+\S/u.exec(line.text)?.[1];
    const byNumber = numbered ? parts[Number(numbered) - 1] : undefined;
    if (byNumber) part = byNumber.id;
    if (line.kind === 'quote' && !countQuoted) return apart('quote');
    const quoted = countQuoted ? [] : quotations(line.text);
    const said = placed(all, quoted).flatMap((p) => (p.in ? [] : [p.word]));
    const apart_ = look(line.text);
    const own = placed(said, apart_);
    const apartWords = { repeated: 0, copied: 0 };
    for (const p of own) if (p.in) apartWords[p.in.kind] += 1;
    return {
      line,
      part,
      role: 'own',
      quoted,
      ownWords: own.flatMap((p) => (p.in ? [] : [p.word])),
      otherWords: all.length - said.length,
      apart: apart_,
      apartWords,
    };
  });
}

/**
 * The stretches of own words of a passage, as offsets into its line.
 * @example 'I think “the wall must hold” is wrong' has two: before the quotation and after it
 */
export function ownStretches(passage: Passage): Span[] {
  if (passage.role !== 'own' || passage.ownWords.length === 0) return [];
  const cuts = [...passage.quoted, ...passage.apart].sort((x, y) => x.start - y.start);
  const out: Span[] = [];
  let at = 0;
  let last: Span | null = null;
  for (const { start, end } of passage.ownWords) {
    let cut = false;
    for (let next = cuts[at]; next && next.start < start; next = cuts[at]) {
      cut = true;
      at += 1;
    }
    if (last && !cut) last.end = end;
    else out.push((last = { start, end }));
  }
  return out;
}

/**
 * How many words of a document are whose: the figures shown apart beside the own words.
 * @example figures of 'One two. “Three four five six.”' are `{ own: 2, quoted: 4, … }`
 */
export function wordFigures(all: Passage[]) {
  const sum = (role: Passage['role']) =>
    all.filter((p) => p.role === role).reduce((n, p) => n + p.otherWords, 0);
  const aside = (kind: Apart['kind']) => all.reduce((n, p) => n + p.apartWords[kind], 0);
  return {
    own: all.reduce((n, p) => n + p.ownWords.length, 0),
    quoted: sum('quote') + sum('own'),
    headings: sum('part-heading'),
    references: sum('reference'),
    repeated: aside('repeated'),
    copied: aside('copied'),
  };
}
