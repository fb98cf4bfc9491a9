import { utterances } from '../text/sentences';
import { stemsOf } from '../text/terms';
import { words } from '../text/words';

/** What a reply is judged against: the post it answers, what was asked, and what else the class wrote. */
export type Answered = {
  peer: { name: string; text: string };
  prompt: string;
  concepts: readonly string[];
  others: readonly string[];
};

export type LowerWord = { text: string; start: number; end: number };

/** What replies to one post are judged against, read once. */
export type ReadAnswered = {
  /** The stems of the classmate's name: saying it adds nothing. */
  name: ReadonlySet<string>;
  words: readonly LowerWord[];
  /** The post's sentences with their stems. */
  sentences: readonly { start: number; end: number; stems: ReadonlySet<string> }[];
  theirs: ReadonlySet<string>;
  /** What the prompt and the course gave to everybody. */
  given: ReadonlySet<string>;
  concepts: ReadonlySet<string>;
  others: ReadonlySet<string>;
};

/** @example lowerWords('Don’t GO').map((w) => w.text) // ["don't", 'go'] */
export const lowerWords = (text: string): LowerWord[] =>
  words(text).map((w) => ({ ...w, text: w.text.toLowerCase().replaceAll('’', "'") }));

/** @example a post about levees and a prompt about rivers: "theirs" has the stem of levee, "given" that of river */
export function readAnswered({ peer, prompt, concepts, others }: Answered): ReadAnswered {
  const ideas = stemsOf(concepts.join(' '));
  return {
    name: stemsOf(peer.name),
    words: lowerWords(peer.text),
    sentences: utterances(peer.text).map((s) => ({ start: s.start, end: s.end, stems: stemsOf(s.text) })),
    theirs: stemsOf(peer.text),
    given: new Set([...stemsOf(prompt), ...ideas]),
    concepts: ideas,
    others: new Set(others.flatMap((o) => [...stemsOf(o)])),
  };
}
