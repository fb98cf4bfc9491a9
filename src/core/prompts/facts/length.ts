import type { Addresses } from '../address';
import { finding, type Found } from '../findings';
import { isAsked, standsAlone } from '../modality';
import { NUMBER, valueOf } from '../numbers';
import { clauseAt } from '../outline';
import { type Outline, type Sentence } from '../outline/types';
import { quantitiesOf, type Quantity } from '../quantities';
import { READING } from '../vocabulary';
import { latin } from '../pattern';

/* Lengths: words, sentences and paragraphs that a response or each reply must have. */

type Unit = 'words' | 'sentences' | 'paragraphs';

const ADJECTIVES = "(?:(?!(?:of|to|in|for|from|on|at|with|and|or|by|the|which)\\s)[\\p{L}'’-]+\\s+){0,2}";
const UNITS: Record<Unit, string> = {
  words: `${ADJECTIVES}words?(?!\\s+(?:for word|class|order|lists?\\b))`,
  sentences: `${ADJECTIVES}sentences?`,
  paragraphs: `${ADJECTIVES}paragraphs?`,
};

/** "The chapter (about 6,500 words)", "the film runs to 900 words": the length of something to be read. */
const OF_A_READING = latin(
  new RegExp(
    `(?<![\\p{L}])${READING}(?:\\s+\\p{L}+){0,2}\\s*(?:\\(|\\s(?:is|are|was|were|runs?|comes?|has|have|takes?|counts?|weighs?)(?![\\p{L}]))[^,;.]{0,25}$`,
    'iu',
  ),
);
/** "Read Marlow and the two columns, about 900 words together." */
const READ_FIRST =
  /^\P{L}*(?:please |first,? |then )?(?:re-?)?(?:read|watch|listen to|view)\s+(?!(?:and|at least|one|two|three|some|your|through)\s)/iu;
const OF_A_READING_AFTER = latin(new RegExp(`^[ -]+(?:\\p{L}+\\s+){0,1}${READING}(?![\\p{L}])`, 'iu'));
const WRITTEN = latin(/(?<![\p{L}])(?:writ|post|shar|submit|compos|draft|produc|your|my)/iu);
/** "The code itself runs to 9,000 words": the subject is none of the names of what is written here. */
const OF_ANOTHER = latin(
  /(?:^|[.;] )(?:the|this|that) (?!\p{L}*(?:post|response|repl|entr|piece|note|statement|answer|text|contribution|paragraph|limit|minimum|maximum|length|word|target|range|ceiling|message|advice|submission|whole|total|summary|comment|description|first|initial|main|opening))(?:\p{L}+ ){1,2}(?:itself |alone )?(?:runs? to|is|has|comes to|was|counts) (?:\p{L}+ ){0,2}$/iu,
);
const QUOTED = latin(
  /(?<![\p{L}])(?:quot(?:e|es|ing|ation)|cop(?:y|ies)|pick(?:s|ing)? out|read|choose|underline|highlight)(?![\p{L}])[^,;.]{0,40}$/iu,
);
const A_LIMIT = latin(/(?<![\p{L}])(?:limit|ceiling|cap|stop reading)(?![\p{L}])/iu);
/** "as a short paragraph", "in a paragraph": one, where no number is said. */
const A_PARAGRAPH = latin(
  /(?<![\p{L}])(?:(?:writ(?:e|es|ing)|post(?:s|ing)?|compos(?:e|es)|in|shar(?:e|es)|submit|contribut(?:e|es)|draft|with|send|add|append)\s+(?:\p{L}+ ){0,2}?an?\s+(?:(?:short|brief|full|single|well-developed|developed|solid|substantial|concise|thoughtful)\s+){0,2}paragraph)(?![\p{L}])/giu,
);

const LABELLED = latin(
  new RegExp(
    `(?:word (?:count|limit|range|target|length)|length(?: in words)?)\\s*(?:is|:|=|of|\\||-|–)?\\s*(?<a>${NUMBER})(?:\\s*(?:[–—-]|to)\\s*(?<b>${NUMBER}))?(?!\\s*(?:[–—-]|to)?\\s*\\p{L}*\\s*(?:sentences?|paragraphs?|pages?|minutes?))`,
    'giu',
  ),
);
const OTHER_BOUND = latin(
  new RegExp(
    `^\\s*(?:[,;(]|and|but|to)*\\s*(?:(?:and|but|to|with|a|an|the|it|yet)\\s+)*(?:(?<high>max(?:imum)?\\.?(?: of)?|at most|(?:no|not) more than|up to|not exceed(?:ing)?|(?:must|should|may|can) ?not exceed|cannot exceed)|(?<low>min(?:imum)?\\.?(?: of)?|at least|no(?:t)? (?:fewer|less) than))\\s*:?\\s*(?<n>${NUMBER})(?!\\s+\\p{L}*\\s*(?:sentences?|paragraphs?|sources?|references?|minutes?|points?|repl|comments?|people|peers|classmates))`,
    'iu',
  ),
);

const OR_MORE = latin(new RegExp(`^,? or (?<n>${NUMBER})(?! or| more| fewer)(?= (?:if|at|when|for))`, 'iu'));

function isOfAReading(text: string, q: Quantity & { unitEnd: number }): boolean {
  const clause = clauseAt(text, q.start);
  const before = text.slice(0, q.start);
  if (OF_ANOTHER.test(before)) return true;
  const opening = text.slice(clause.start, q.start);
  if (READ_FIRST.test(before) && !WRITTEN.test(before) && !/[.!?]/u.test(opening)) return true;
  if (OF_A_READING.test(before) && !WRITTEN.test(text.slice(clause.start, q.start))) return true;
  return (
    /-\s?words?$/iu.test(text.slice(q.at, q.unitEnd)) &&
    OF_A_READING_AFTER.test(text.slice(q.unitEnd)) &&
    !/(?<![\p{L}])(?:write|post|draft|compose|submit)(?![\p{L}])/iu.test(text.slice(clause.start, q.start))
  );
}

/** What a bare number of sentences or paragraphs follows where it is a length: "leave one sentence out" is none. */
const SAID_OF_WRITING = latin(
  /(?<![\p{L}])(?:in|with|writ\p{L}*|of|post|add|giv\p{L}*|contribut\p{L}*|us(?:e|ing)|about|is|are|has|have|be|needs?|long|into|submit|expect|should|must|compris\p{L}*|shar\p{L}*|send|between)(?![\p{L}])[^.;]{0,25}$/iu,
);
/** "and four hundred is the ceiling", "four at the outside", "260 at most" */
const CEILING = latin(
  new RegExp(
    `(?<=^|[\\s,])(?<n>${NUMBER})(?: words?)?,? (?:(?:is |are )?the most|(?:is|being|are|as) (?:the|a|my|an) (?:\\p{L}+ )?(?:ceiling|limit|maximum|most|cap)|at (?:the )?(?:very )?(?:outside|most)|max(?:imum)?(?![\\p{L}]))`,
    'iu',
  ),
);

/** "no shorter than 110 and no longer than 170 words" */
const LOWER_BEFORE = latin(
  new RegExp(
    `(?:no shorter than|at least|minimum(?: of)?|no(?:t)? fewer than)\\s+(?<n>${NUMBER}),?\\s+(?:and|but)\\s*$`,
    'iu',
  ),
);
const OF_A_PART = /^\s*(?:per|for each|for every|on each|each) (?:answer|question|part|item|point)/iu;
const TOGETHER = latin(
  /(?<![\p{L}])(?:together|altogether|in total|in all|overall|combined|the whole)(?![\p{L}])/iu,
);

function lengthsIn(s: Sentence, unit: Unit, addresses: Addresses): Found {
  const found: Found = [];
  for (const q of quantitiesOf(s.text, UNITS[unit])) {
    if (!isAsked(s, q.start, q.min === undefined) || isOfAReading(s.text, q)) continue;
    if (unit === 'sentences' && /^[^.;]{0,40}(?<![\p{L}])quoted/iu.test(s.text.slice(q.unitEnd))) continue;
    // "in one word", "tell them one word": no length.
    if (unit === 'words' && Math.max(q.min ?? 0, q.max ?? 0) < 10) continue;
    if (unit === 'sentences' && QUOTED.test(s.text.slice(0, q.at))) continue;
    const whole = { ...q };
    const ahead = s.text.slice(0, q.at);
    // "Two translators, one sentence." asks for none.
    if (unit === 'sentences' && q.bare && (q.min ?? 0) < 2 && !SAID_OF_WRITING.test(ahead)) continue;
    if (
      unit !== 'words' &&
      q.bare &&
      !SAID_OF_WRITING.test(ahead) &&
      !/(?:^|[,;:(]\s*)$/u.test(ahead) &&
      !standsAlone(s, q.at, q.unitEnd)
    )
      continue;
    if (unit === 'words' && q.bare && A_LIMIT.test(s.text) && !CEILING.test(s.text))
      Object.assign(whole, { max: q.min, min: undefined });
    const span = { start: s.start + q.start, end: s.start + q.end };
    const who = addresses(s, q.start);
    // What is said of all of it goes before what is said of a part.
    const tail = s.text.slice(q.unitEnd, q.unitEnd + 40);
    const sure =
      TOGETHER.test(tail.split(/[,;]/u)[0] ?? '') ||
      TOGETHER.test(s.text.slice(Math.max(0, q.start - 30), q.start))
        ? 0.98
        : who.who === 'response' && OF_A_PART.test(tail)
          ? 0.7
          : 0.95;
    if (whole.min !== undefined)
      found.push(finding(who, `${unit}.min`, whole.min, span, q.bare ? sure - 0.15 : sure));
    if (whole.max !== undefined) found.push(finding(who, `${unit}.max`, whole.max, span, sure));
    // "minimum 150 words, maximum 250": the other bound says no unit of its own.
    const rest = OTHER_BOUND.exec(s.text.slice(q.end));
    const n = rest?.groups?.n;
    if (rest && n) {
      const at = s.start + q.end;
      const bound = rest.groups?.high ? 'max' : 'min';
      if (whole[bound] === undefined) {
        found.push(
          finding(who, `${unit}.${bound}`, valueOf(n), { start: at, end: at + rest[0].length }, 0.9),
        );
      }
    }
    const lower = whole.min === undefined ? LOWER_BEFORE.exec(s.text.slice(0, q.start)) : null;
    if (lower?.groups?.n) {
      const at = s.start + lower.index;
      found.push(
        finding(who, `${unit}.min`, valueOf(lower.groups.n), { start: at, end: at + lower[0].length }, 0.9),
      );
    }
    const ceiling = whole.max === undefined ? CEILING.exec(s.text.slice(q.end)) : null;
    const most = ceiling?.groups?.n;
    if (
      ceiling &&
      most &&
      /^[^.]{0,25}$/u.test(s.text.slice(q.end, q.end + ceiling.index)) &&
      valueOf(most) > (whole.min ?? 0)
    ) {
      const at = s.start + q.end + ceiling.index;
      found.push(
        finding(who, `${unit}.max`, valueOf(most), { start: at, end: at + ceiling[0].length }, 0.85),
      );
    }
    // "two paragraphs, or three if you must"
    const more = OR_MORE.exec(s.text.slice(q.end));
    if (more?.groups?.n && whole.max === undefined && valueOf(more.groups.n) > (whole.min ?? 0)) {
      found.push(
        finding(
          who,
          `${unit}.max`,
          valueOf(more.groups.n),
          { start: s.start + q.end, end: s.start + q.end + more[0].length },
          0.7,
        ),
      );
    }
    // "One paragraph is the least I'll take."
    if (/^\s+is the (?:least|minimum)/iu.test(s.text.slice(q.end)) && whole.max !== undefined) found.pop();
  }
  return found;
}

function labelledIn(s: Sentence, addresses: Addresses): Found {
  const found: Found = [];
  for (const m of s.text.matchAll(LABELLED)) {
    if (!isAsked(s, m.index)) continue;
    // With the unit behind it, it is found as any length is.
    if (/^\s*\p{L}*\s*words?/iu.test(s.text.slice(m.index + m[0].length))) continue;
    if (!/word/iu.test(m[0]) && m.groups?.b === undefined) continue;
    const span = { start: s.start + m.index, end: s.start + m.index + m[0].length };
    const who = addresses(s, m.index);
    const a = valueOf(m.groups?.a ?? '');
    const limit = /limit/iu.test(m[0]);
    if (m.groups?.b) {
      found.push(finding(who, 'words.min', a, span), finding(who, 'words.max', valueOf(m.groups.b), span));
    } else found.push(finding(who, limit ? 'words.max' : 'words.min', a, span, 0.85));
  }
  return found;
}

/** "in a few sentences, at least four": the number comes after its unit. */
const AFTERWARDS = latin(
  new RegExp(
    `(?<![\\p{L}])(?<unit>words|sentences|paragraphs),? \\(?(?:at least|no fewer than|minimum(?: of)?|not fewer than) (?<n>${NUMBER})(?=\\s*(?:[,;.)]|$))`,
    'giu',
  ),
);

function numberAfter(s: Sentence, addresses: Addresses): Found {
  return [...s.text.matchAll(AFTERWARDS)]
    .filter((m) => isAsked(s, m.index))
    .map((m) =>
      finding(addresses(s, m.index), `${m.groups?.unit?.toLowerCase()}.min`, valueOf(m.groups?.n ?? ''), {
        start: s.start + m.index,
        end: s.start + m.index + m[0].length,
      }),
    );
}

const CELLS = /\||\t/u;
const BARE_CELL = latin(
  new RegExp(
    `^(?:(?<low>at least|min\\.?|minimum)\\s+|(?<high>at most|max\\.?|maximum|up to)\\s+)?(?<a>${NUMBER})(?:\\s*(?:[–—-]|to)\\s*(?<b>${NUMBER}))?\\+?(?:\\s+(?:min|max)\\.?)?$`,
    'iu',
  ),
);

/** A table's column "Words": its cells say numbers, and the head of the column says of what. */
function inColumn(s: Sentence, outline: Outline, addresses: Addresses): Found {
  if (s.row === null) return [];
  let head: Sentence | undefined;
  for (let i = s.index - 1; i >= 0 && outline.sentences[i]?.row !== null; i -= 1) head = outline.sentences[i];
  const column = head?.text
    .split(CELLS)
    .findIndex((c) => /^\s*(?:words?|word count|length(?: in words)?)\s*$/iu.test(c));
  if (column === undefined || column < 0) return [];
  const cells = s.text.split(CELLS);
  const cell = cells[column] ?? '';
  const m = BARE_CELL.exec(cell.trim());
  if (!m?.groups?.a) return [];
  const start =
    s.start + cells.slice(0, column).join('|').length + (column > 0 ? 1 : 0) + cell.indexOf(cell.trim());
  const span = { start, end: start + cell.trim().length };
  const who = addresses(s, start - s.start);
  const a = valueOf(m.groups.a);
  if (m.groups.b)
    return [finding(who, 'words.min', a, span), finding(who, 'words.max', valueOf(m.groups.b), span)];
  return [finding(who, m.groups.high || /max/iu.test(cell) ? 'words.max' : 'words.min', a, span)];
}

/**
 * Every length that is asked for.
 * @example "at least 250 words" gives `{ fact: 'response.words.min', value: 250, … }`
 */
export function lengths(outline: Outline, addresses: Addresses): Found {
  return outline.sentences.flatMap((s) => [
    ...lengthsIn(s, 'words', addresses),
    ...labelledIn(s, addresses),
    ...inColumn(s, outline, addresses),
    ...numberAfter(s, addresses),
    ...lengthsIn(s, 'sentences', addresses),
    ...lengthsIn(s, 'paragraphs', addresses),
    ...[...s.text.matchAll(A_PARAGRAPH)]
      .filter((m) => isAsked(s, m.index))
      .map((m) =>
        finding(
          addresses(s, m.index),
          'paragraphs.min',
          1,
          { start: s.start + m.index, end: s.start + m.index + m[0].length },
          0.7,
        ),
      ),
  ]);
}
