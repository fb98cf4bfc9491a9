import { latin } from './pattern';
import { markerOf } from './outline/marker';
import { isHeading, labelOf, NO_SECTION, sectionOf } from './outline/sections';
import { sentencesOf } from './outline/sentences';
import type { Outline, Section, Sentence, Span } from './outline/types';

const SHEET_QUESTION = latin(
  /^(?:when|how long|how many(?: \p{L}+)?|how much|sources|replies|references|deadlines?|length|late)(?: \p{L}+)?\?$|^(?:and )?(?:what )?if i(?:['’]m| am)?(?![\p{L}])[^?]*\?$|^(?:do|does|did|can|could|may|must|should|how|what|when|where|is|are|will|who|why)(?![\p{L}])[^?]*(?<![\p{L}])(?:i|my|me|we|it|this|they|there|due|long|many|late)(?![\p{L}])[^?]*\?$/iu,
);

/** "Q:" and "A:" before the lines of a sheet. */
const SHEET_MARK = /^\s*(?:q|question|a|answer)\s*[:.]\s+/iu;

/**
 * Reads a text as an outline. Marks of emphasis stay in it: no place is moved.
 * @example "Replies: two. By Sunday." is one line with a label and its sentences
 */
export function outlineOf(text: string): Outline {
  const lines: (Span & { text: string })[] = [];
  for (const m of text.matchAll(/[^\n]*(?:\n|$)/gu)) {
    if (m[0] === '') break;
    lines.push({
      start: m.index,
      end: m.index + m[0].replace(/\r?\n$/u, '').length,
      text: m[0].replace(/\r?\n$/u, ''),
    });
  }
  // The next line that holds something, found from the end.
  const following: (string | undefined)[] = [];
  let later: string | undefined;
  for (let i = lines.length - 1; i >= 0; i -= 1) {
    following[i] = later;
    if (lines[i]?.text.trim()) later = lines[i]?.text;
  }
  const sentences: Sentence[] = [];
  let paragraph = 0;
  let headed: Section = NO_SECTION;
  let intro: Section = NO_SECTION;
  let afterItems = false;
  /** A question that has its line to itself waits for the lines of its answer. */
  let waiting: { text: string; paragraph: number } | null = null;
  lines.forEach((line, at) => {
    if (!line.text.trim()) {
      paragraph += 1;
      return;
    }
    const marked = markerOf(line.text);
    const next = following[at];
    const push = (span: Span, more: Partial<Sentence>) =>
      sentences.push({
        ...span,
        text: text.slice(span.start, span.end),
        index: sentences.length,
        line: at,
        paragraph,
        marker: null,
        section: headed,
        question: null,
        row: null,
        heading: false,
        ...more,
      });
    const sheet = marked ? null : SHEET_MARK.exec(line.text);
    const body = { start: line.start + (marked?.length ?? sheet?.[0].length ?? 0), end: line.end };
    const bodyText = text.slice(body.start, body.end).trim();
    if (
      !marked &&
      (SHEET_QUESTION.test(bodyText) || (/^\s*q/iu.test(sheet?.[0] ?? '') && bodyText.endsWith('?')))
    ) {
      paragraph += 1;
      waiting = { text: bodyText, paragraph };
      push(body, { heading: true });
      return;
    }
    if (/[^|]\|[^|]|\t.*\t/u.test(line.text)) {
      const [first = ''] = line.text
        .split(/\||\t/u)
        .map((c) => c.trim())
        .filter(Boolean);
      paragraph += 1;
      push(body, { row: first, section: sectionOf(first) });
      return;
    }
    if (isHeading(line.text, next, marked !== null && marked.marker.kind !== 'part')) {
      if (!(marked?.marker.kind === 'part')) {
        const bare = line.text.replace(/\([^)]*\)/gu, '');
        const found = sectionOf(bare);
        headed = found;
        intro = NO_SECTION;
        push(body, { heading: true, section: found });
        paragraph += 1;
        return;
      }
    }
    if (!marked && afterItems) intro = NO_SECTION;
    afterItems = marked !== null;
    if (marked) paragraph += 1;
    const body_ = text.slice(body.start, body.end);
    const label = labelOf(body_);
    const section: Section = label
      ? { who: label.who ?? headed.who, topic: label.topic ?? headed.topic }
      : marked && (intro.who || intro.topic)
        ? intro
        : headed;
    let question: string | null = waiting && waiting.paragraph === paragraph && !marked ? waiting.text : null;
    const inLine = sentencesOf(body_);
    inLine.forEach((s, i) => {
      const said = body_.slice(s.start, s.end);
      const asks = i === 0 && inLine.length > 1 && SHEET_QUESTION.test(said);
      const span = { start: body.start + s.start, end: body.start + s.end };
      push(span, {
        marker: marked?.marker ?? null,
        section,
        question: asks ? null : question,
        heading: asks,
      });
      if (asks) question = said;
    });
    // "In your replies:" speaks for the items that follow.
    if (!marked && /:\s*[*_]*\s*$/u.test(line.text)) {
      const last = sentences[sentences.length - 1];
      const found = sectionOf(last?.text ?? '');
      intro = { who: found.who ?? section.who, topic: section.topic };
    }
  });
  return { text, sentences };
}

/**
 * The clause of a sentence a place lies in.
 * @example clauseAt('Write a page; cite Holt', 20) // the clause of "cite Holt"
 */
export function clauseAt(sentence: string, at: number): Span {
  let start = 0;
  for (const m of sentence.matchAll(/;|—|\s–\s|,?\sbut\s|:(?=\s)|[()|\t]/gu)) {
    if (m.index < at) start = m.index + m[0].length;
    else return { start, end: m.index };
  }
  return { start, end: sentence.length };
}
