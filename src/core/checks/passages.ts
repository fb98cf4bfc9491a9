import type { Part } from '../brief/brief';
import { bareQuestion } from '../brief/question';
import type { Doc } from '../posts/document';
import { flatten, type Line } from '../posts/flatten';
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
  /** Stretches of an own line that are no words of the writer's. */
  apart: Apart[];
};

const REFERENCE_HEADING =
  /^(references?|reference list|list of references|works cited|bibliography|sources|list of sources)\s*:?$/iu;

const within = (word: Word, spans: Span[]) => spans.some((s) => word.start >= s.start && word.end <= s.end);

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
    const said = all.filter((w) => !within(w, quoted));
    const aside = look(line.text);
    const ownWords = aside.length ? said.filter((w) => !within(w, aside)) : said;
    return { line, part, role: 'own', quoted, ownWords, otherWords: all.length - said.length, apart: aside };
  });
}

/** The stretches of own words of a passage, as offsets into its line. */
export function ownStretches(passage: Passage): Span[] {
  if (passage.role !== 'own' || passage.ownWords.length === 0) return [];
  const cuts = [
    ...[...passage.quoted, ...passage.apart].sort((a, b) => a.start - b.start),
    { start: passage.line.text.length, end: passage.line.text.length },
  ];
  const out: Span[] = [];
  let from = 0;
  for (const cut of cuts) {
    const inside = passage.ownWords.filter((w) => w.start >= from && w.end <= cut.start);
    const first = inside[0];
    const last = inside[inside.length - 1];
    if (first && last) out.push({ start: first.start, end: last.end });
    from = cut.end;
  }
  return out;
}

/** How many words of a document are whose: the figures shown apart beside the own words. */
export function wordFigures(all: Passage[]) {
  const sum = (role: Passage['role']) =>
    all.filter((p) => p.role === role).reduce((n, p) => n + p.otherWords, 0);
  const aside = (kind: Apart['kind']) =>
    all.reduce((n, p) => {
      if (p.apart.length === 0) return n;
      const said = words(p.line.text).filter((w) => !within(w, p.quoted));
      const other = said.filter((w) => !p.ownWords.some((o) => o.start === w.start));
      return n + other.filter((w) => p.apart.find((a) => within(w, [a]))?.kind === kind).length;
    }, 0);
  return {
    own: all.reduce((n, p) => n + p.ownWords.length, 0),
    quoted: sum('quote') + sum('own'),
    headings: sum('part-heading'),
    references: sum('reference'),
    repeated: aside('repeated'),
    copied: aside('copied'),
  };
}
