export type Side = 'response' | 'replies';

const NAMES =
  /\b(?:discussion|forum|(?:initial|original|first) (?:discussion )?posts?|message board|d\.?b\.?\s*#?\d+)\b/iu;
const OTHERS =
  /\b(?:in[- ]class|class|live|synchronous|zoom|small[- ]group|seminar|oral)\s+discussions?\b|\bdiscussion (?:sections?|leaders?|sessions?|hour)\b|\bno (?:online )?(?:discussion|forum)|\bdiscussion of\b/iu;
const OF_A_POST = /\b(?:posts?|repl(?:y|ies)|peers?|classmates|responses?|comments?)\b/iu;
const OF_ANOTHER =
  /\b(?:essay|paper|quiz|exam|test|project|lab|homework|problem set|reading response|journal)\b/iu;

/**
 * Whether words name a discussion that is written: not one that is talked in a class.
 * @example namesDiscussion('Discussion 3: Wells') // true
 */
export const namesDiscussion = (text: string) => NAMES.test(text) && !OTHERS.test(text);

/**
 * Whether words speak of posts or replies, and of no other work.
 * @example speaksOfPosts('Replies due Sunday') // true
 */
export const speaksOfPosts = (text: string) => OF_A_POST.test(text) && !OF_ANOTHER.test(text);

/**
 * Whether words name work of another kind.
 * @example namesOther('Quiz 1') // true
 */
export const namesOther = (text: string) => OF_ANOTHER.test(text);

const SIDES: [Side, RegExp][] = [
  [
    'replies',
    /repl(?:y|ies)|respond(?:ing)? to|responses? to|peers?|classmates?|comments?|follow[- ]?ups?|others/giu,
  ],
  ['response', /initial|original|first|main|opening|posts?\b|responses?\b|thread|answers?\b/giu],
];

/**
 * Which of the two words are about: the last that says so; "responses to classmates" ends with whom they answer.
 * @example sideSaid('two replies by') // 'replies'
 */
export const sideSaid = (text: string): Side | null =>
  SIDES.flatMap(([side, words]) =>
    [...text.matchAll(words)].map((m) => ({ side, end: m.index + m[0].length })),
  )
    .sort((a, b) => a.end - b.end)
    .at(-1)?.side ?? null;

/**
 * The first of the two that words name.
 * @example sideNamed('(post), replies later') // 'response'
 */
export const sideNamed = (text: string): Side | null =>
  SIDES.map(([side, words]) => ({ side, at: text.search(words) }))
    .filter((s) => s.at >= 0)
    .sort((a, b) => a.at - b.at)[0]?.side ?? null;
