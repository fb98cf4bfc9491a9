import { whole } from '../pattern';
import { answersPrompt } from '../vocabulary';

import type { Section, Who, Topic } from './types';

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

/**
 * What a heading announces.
 * @example sectionOf('Replies to classmates').who // 'replies'
 */
export function sectionOf(heading: string): Section {
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

export const NO_SECTION: Section = { who: null, topic: null };
const countOfWords = (text: string) => text.split(/\s+/u).filter(Boolean).length;

/**
 * A line that stands over others: short, a phrase and not a sentence.
 * @example isHeading('## Replies', 'Write two.', false) // true
 */
export function isHeading(text: string, next: string | undefined, marked: boolean): boolean {
  const bare = text.replace(/^[\s#>*_]+|[\s*_:#]+$/gu, '');
  if (/^\s*#{1,6}\s/u.test(text)) return true;
  if (marked || !bare || next === undefined) return false;
  if (countOfWords(bare.replace(/\([^)]*\)/gu, '')) > 8 || bare.length > 90) return false;
  if (/[.!?;,]$/u.test(bare)) return false;
  return /^[\p{Lu}\p{N}“"]/u.test(bare);
}

const CONTEXT_LABEL =
  /^(?:the )?(?:situation|scenario|overview|background|context|purpose|case|facts|(?:learning )?(?:outcomes?|objectives?|goals?)|readings?|materials?|resources|introduction|rationale|preparation)$/iu;

/**
 * "Replies: …", "**Timing.** …" at the beginning of a line: what it announces, where it announces something.
 * @example labelOf('Replies: two by Sunday') // a section of replies
 */
export function labelOf(text: string): Section | null {
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
