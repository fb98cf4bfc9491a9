import type { Span } from '../text/quotations';
import { utterances } from '../text/sentences';
import { termsOf, type Term } from '../text/terms';
import { words } from '../text/words';
import type { ReadAnswered } from './answered';
import { copiedIn } from './copied';
import { retoldIn, type Retold, type Worded } from './retold';
import { signsOf, type Signs } from './signs';

export type MeasuredSentence = Worded & {
  words: number;
  signs: Signs;
  /** Stock words, which say nothing here. */
  stock: number;
  /** Of the given terms, how many are in the classmate's post too. */
  taken: number;
  /** Of those added, how many another classmate's post has. */
  fromOthers: number;
  /** Terms of the course's ideas. */
  ideas: Term[];
  /** The classmate's words that stand in it word for word. */
  copied: number;
  /** Praise, assent or talk of one's own post that takes up nothing of the classmate's. */
  idle: boolean;
  /** It says something of the writer's own about something of the classmate's. */
  argues: boolean;
  /** It brings something new to something of the classmate's, without a word that says how the two go together. */
  joins: boolean;
};

export type Measured = {
  words: number;
  sentences: MeasuredSentence[];
  copied: Span[];
  retold: Retold[];
};

/** At most so many of the classmate's terms stand in praise that takes up nothing in particular. */
const IDLE_THEIRS = 1;

/**
 * Whether a sentence moves the discussion on: it reasons, weighs, contradicts, shows or asks, it does so about something the
 * classmate (or the prompt) said, and it brings a word of its own or joins two of theirs. A question must be about the
 * classmate's own words: what is asked of everybody fits anything.
 */
function argues(s: Omit<MeasuredSentence, 'argues' | 'joins'>): boolean {
  const { signs, theirs, given, added } = s;
  const weighs = signs.reason || signs.condition || signs.contrast || signs.correction || signs.evidence;
  const about = signs.asks
    ? theirs.length > 0 && (added.length > 0 || weighs)
    : weighs && theirs.length + given.length > 0;
  return (
    about && (added.length > 0 || theirs.length > 1) && !s.idle && !signs.report && s.copied < s.words / 2
  );
}

function measured(
  text: string,
  start: number,
  read: ReadAnswered,
  copied: readonly Span[],
): MeasuredSentence {
  const signs = signsOf(text);
  const inside = (t: Span, spans: readonly Span[]) => spans.some((c) => t.start >= c.start && t.end <= c.end);
  // What the post or the prompt speaks of is a subject here, whatever it is elsewhere.
  const topical = (k: Span) =>
    termsOf(text.slice(k.start, k.end)).some((t) => read.theirs.has(t.stem) || read.given.has(t.stem));
  const stock = signs.stock
    .filter((k) => !topical(k))
    .map((k) => ({ start: k.start + start, end: k.end + start }));
  const own = termsOf(text)
    .map((t) => ({ stem: t.stem, start: t.start + start, end: t.end + start }))
    .filter((t) => !read.name.has(t.stem) && !inside(t, copied));
  const inWords = words(text);
  const theirs = own.filter((t) => read.theirs.has(t.stem) && !read.given.has(t.stem));
  const given = own.filter((t) => read.given.has(t.stem));
  const added = own.filter((t) => !read.theirs.has(t.stem) && !read.given.has(t.stem) && !inside(t, stock));
  const sentence = {
    start,
    end: start + text.length,
    words: inWords.length,
    signs,
    stock: stock.length,
    theirs,
    given,
    taken: given.filter((t) => read.theirs.has(t.stem)).length,
    added,
    fromOthers: added.filter((t) => read.others.has(t.stem)).length,
    ideas: own.filter((t) => read.concepts.has(t.stem)),
    copied: inWords.filter((w) => inside({ start: w.start + start, end: w.end + start }, copied)).length,
    idle: (signs.praise || signs.agree || signs.ownPost) && theirs.length <= IDLE_THEIRS,
  };
  const joins =
    theirs.length > 0 &&
    added.length > 1 &&
    !signs.asks &&
    !signs.report &&
    !sentence.idle &&
    stock.length < 2;
  return { ...sentence, argues: argues(sentence), joins };
}

/**
 * A reply, sentence by sentence: what of it takes up the post, what it adds, and what each sentence does.
 * @example measure('', read).words // 0
 */
export function measure(reply: string, read: ReadAnswered): Measured {
  const copied = copiedIn(reply, read);
  const all = utterances(reply).map((s) => measured(s.text, s.start, read, copied));
  return {
    words: all.reduce((n, s) => n + s.words, 0),
    sentences: all,
    copied,
    retold: retoldIn(reply, all, read),
  };
}
