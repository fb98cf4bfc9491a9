import { sentenceSegments } from '../text/segments';
import { latin, whole } from './pattern';
import { answersPrompt } from './vocabulary';

/* A prompt as lines, list items, headed sections, sentences and clauses, each with its place in the text. */

export type Who = 'response' | 'replies';
export type Span = { start: number; end: number };

export type Marker = { kind: 'number' | 'letter' | 'bullet' | 'box' | 'part'; n: number };
export type Topic = 'due' | 'late' | 'context' | 'avoid';
export type Section = { who: Who | null; topic: Topic | null };

export type Sentence = Span & {
  text: string;
  /** Where the sentence stands in the order of the text. */
  index: number;
  line: number;
  paragraph: number;
  marker: Marker | null;
  section: Section;
  /** The question a sheet of questions and answers puts before its answer. */
  question: string | null;
  /** A row of a table, with its first cell. */
  row: string | null;
  heading: boolean;
};

export type Outline = { text: string; sentences: Sentence[] };

const MARKER =
  /^[\s>]*(?:(?<box>\[[ xX✓]?\]|☐|☑|□)|(?<bullet>[-*•–‣▪◦·○●])(?=\s)|(?<step>step ?(?<sn>\d{1,2})\s?[.:)–-]+)|(?<part>(?:part|question|q|task|prompt) ?(?<pn>[A-Ha-h]|\d{1,2}|I{1,3}V?)(?:\s?[.:)–-]+|(?=\s*$)))|(?<number>\(?\d{1,2}[.)])(?=\s)|(?<letter>\(?(?:[a-h]|i{1,3}|iv|v)[.)])(?=\s))\s*/iu;

const ROMAN = ['i', 'ii', 'iii', 'iv', 'v'];
const letterOf = (text: string) => {
  const letter = text.toLowerCase();
  return ROMAN.includes(letter) ? ROMAN.indexOf(letter) + 1 : letter.charCodeAt(0) - 96;
};

/** The marker of a list item at the beginning of a line, and how long it is. */
function markerOf(line: string): { marker: Marker; length: number } | null {
  const g = MARKER.exec(line);
  if (!g?.groups) return null;
  const { box, bullet, step, sn, part, pn, number, letter } = g.groups;
  const length = g[0].length;
  if (box !== undefined) return { marker: { kind: 'box', n: 0 }, length };
  if (bullet !== undefined) return { marker: { kind: 'bullet', n: 0 }, length };
  if (step !== undefined) return { marker: { kind: 'number', n: Number(sn) }, length };
  if (part !== undefined) {
    return { marker: { kind: 'part', n: /\d/u.test(pn ?? '') ? Number(pn) : letterOf(pn ?? 'a') }, length };
  }
  if (number !== undefined)
    return { marker: { kind: 'number', n: Number(number.replace(/\D/gu, '')) }, length };
  return { marker: { kind: 'letter', n: letterOf((letter ?? 'a').replace(/[().]/gu, '')) }, length };
}

const ABOUT_REPLIES = whole(
  'repl(?:y|ies|ying)|second (?:and third )?(?:posts?|contributions?|entries)|(?:answers?|responses?|answering|responding) to (?:others|each other|one another|classmates|peers)|rebuttals?|discussing|respond(?:ing)?(?: to (?:others|peers|classmates))?|responses|peers?|classmates?|comment(?:s|ing)?|follow-?ups?|feedback|afterwards|interact(?:ion|ions|ing)?|engag(?:e|ing|ement)|second post|step two|conversation',
);
const ABOUT_RESPONSE = whole(
  'initial|original|opening|your own|first post|main post|your (?:own )?(?:post|thread|response|contribution|statement|piece|entry)|starting (?:post|thread)|thread|first|the task|task|what to (?:write|post|do)|prompt|assignment|your turn|posting|length|the post|format',
);
const ABOUT_TIME = whole('due|dates?|deadlines?|when|timing|time ?line|schedule|calendar|times');
const ABOUT_LATE = whole('late(?:ness)?|late (?:work|posts|policy|rule)|penalt(?:y|ies)|missed it');
const CONTEXT = whole(
  'outcomes?|objectives?|goals?|background|scenario|situation|overview|context|introduction|readings?|read|materials?|resources?|preparation|prepare|why(?: this)?|about|facts?|purpose|rationale|watch',
);
const AVOID = whole("avoid|do not|don['’]t|not to do|please note");

/** What a heading announces. */
function sectionOf(heading: string): Section {
  const asked = /(?<![\p{L}])(?:respond|reply)(?![\p{L}])/iu.exec(heading);
  const who: Who | null =
    asked && answersPrompt(heading.slice(asked.index))
      ? 'response'
      : ABOUT_REPLIES.test(heading) && !/\b(?:initial|original|opening)\b/iu.test(heading)
        ? 'replies'
        : ABOUT_RESPONSE.test(heading)
          ? 'response'
          : null;
  const topic: Topic | null = AVOID.test(heading)
    ? 'avoid'
    : ABOUT_LATE.test(heading)
      ? 'late'
      : ABOUT_TIME.test(heading)
        ? 'due'
        : who === null && CONTEXT.test(heading)
          ? 'context'
          : null;
  return { who, topic };
}

const NO_SECTION: Section = { who: null, topic: null };
const countOfWords = (text: string) => text.split(/\s+/u).filter(Boolean).length;

/** A line that stands over others: short, a phrase and not a sentence. */
function isHeading(text: string, next: string | undefined, marked: boolean): boolean {
  const bare = text.replace(/^[\s#>*_]+|[\s*_:#]+$/gu, '');
  if (/^\s*#{1,6}\s/u.test(text)) return true;
  if (marked || !bare || next === undefined) return false;
  if (countOfWords(bare.replace(/\([^)]*\)/gu, '')) > 8 || bare.length > 90) return false;
  if (/[.!?;,]$/u.test(bare)) return false;
  return /^[\p{Lu}\p{N}“"]/u.test(bare);
}

const ABBREVIATED = latin(
  /(?:(?<![\p{L}])(?:a\.m|p\.m|e\.g|i\.e|etc|approx|min|max|no|vs|cf|pp?|ch|sec|fig|vol|ed|eds|mr|mrs|ms|dr|prof|st|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|mon|tues?|wed|thurs?|fri|sat|sun)\.)\s*$/iu,
);
const ENDS_ANYWAY = /(?:[ap]\.m|etc|max|min)\.\s*$/iu;

/** No sentence anybody wrote is longer; what is (a table without breaks, a text without stops) is looked at in pieces. */
const LONGEST = 1_500;
function pieces(line: string, span: Span): Span[] {
  const found: Span[] = [];
  let { start } = span;
  while (span.end - start > LONGEST) {
    const space = line.lastIndexOf(' ', start + LONGEST);
    const end = space > start ? space : start + LONGEST;
    found.push({ start, end });
    start = space > start ? end + 1 : end;
  }
  if (start < span.end) found.push({ start, end: span.end });
  return found;
}

/** The sentences of one line, with abbreviations taken for what they are. */
function sentencesOf(line: string): Span[] {
  const found: Span[] = [];
  let start = -1;
  for (const s of sentenceSegments(line)) {
    if (start < 0) start = s.index;
    const end = s.index + s.segment.length;
    const rest = line.slice(end);
    const goes = ABBREVIATED.test(s.segment)
      ? !ENDS_ANYWAY.test(s.segment) ||
        /^[^\p{Lu}“"]/u.test(rest) ||
        /^(?:Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)(?:day)?\b/u.test(rest)
      : false;
    if (goes && rest) continue;
    const text = line.slice(start, end);
    const lead = text.length - text.trimStart().length;
    if (text.trim())
      for (const piece of pieces(line, { start: start + lead, end: start + text.trimEnd().length }))
        found.push(piece);
    start = -1;
  }
  return found;
}

const CONTEXT_LABEL =
  /^(?:the )?(?:situation|scenario|overview|background|context|purpose|case|facts|(?:learning )?(?:outcomes?|objectives?|goals?)|readings?|materials?|resources|introduction|rationale|preparation)$/iu;

/** "Replies: …", "**Timing.** …" at the beginning of a line: what it announces, where it announces something. */
function labelOf(text: string): Section | null {
  const m =
    /^[\s*_#]*(?<label>[\p{Lu}][^.:!?\n|]{1,45}?)\s*(?:\([^)]*\))?[*_]{0,2}\s*[.:][*_]{0,2}(?:\s|$)/u.exec(
      text,
    );
  const label = m?.groups?.label;
  if (!label || countOfWords(label) > 5) return null;
  // "A word afterwards:" says when, not to whom.
  const found = sectionOf(label.replace(/afterwards/iu, ''));
  // "Watch the film. Write …" is a demand and its next; only a noun by itself sets what follows apart as background.
  const section =
    found.topic === 'context' && !CONTEXT_LABEL.test(label.trim()) ? { ...found, topic: null } : found;
  return section.who || section.topic ? section : null;
}

const SHEET_QUESTION = latin(
  /^(?:when|how long|how many(?: \p{L}+)?|how much|sources|replies|references|deadlines?|length|late)(?: \p{L}+)?\?$|^(?:and )?(?:what )?if i(?:['’]m| am)?(?![\p{L}])[^?]*\?$|^(?:do|does|did|can|could|may|must|should|how|what|when|where|is|are|will|who|why)(?![\p{L}])[^?]*(?<![\p{L}])(?:i|my|me|we|it|this|they|there|due|long|many|late)(?![\p{L}])[^?]*\?$/iu,
);

/** "Q:" and "A:" before the lines of a sheet. */
const SHEET_MARK = /^\s*(?:q|question|a|answer)\s*[:.]\s+/iu;

/** Reads a text as an outline. Marks of emphasis stay in it: no place is moved. */
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

/** The clause of a sentence a place lies in. */
export function clauseAt(sentence: string, at: number): Span {
  let start = 0;
  for (const m of sentence.matchAll(/;|—|\s–\s|,?\sbut\s|:(?=\s)|[()|\t]/gu)) {
    if (m.index < at) start = m.index + m[0].length;
    else return { start, end: m.index };
  }
  return { start, end: sentence.length };
}
