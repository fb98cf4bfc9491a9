import { remember } from '../memo';
import { roughSentences } from '../text/sentences';
import { stemsOf, termsOf } from '../text/terms';

/** The two ways a prompt lets one go, by the words that tell them apart. */
export type Ways = { one: ReadonlySet<string>; other: ReadonlySet<string> };

const HOW_FAR = 9;

/** The last words before, or the first after, a place of a sentence: as far as the clause goes, and no further than nine. */
function near(clause: string, end: 'last' | 'first'): Set<string> {
  const stems = termsOf(clause).map((t) => t.stem);
  return new Set(end === 'last' ? stems.slice(-HOW_FAR) : stems.slice(0, HOW_FAR));
}

const without = (a: ReadonlySet<string>, b: ReadonlySet<string>) => new Set([...a].filter((s) => !b.has(s)));

/**
 * The two ways of a prompt that asks to choose: "rebuild the wall where it stood, or set it back". Null where it names no
 * two. Of a word that stands on both sides neither is told by it.
 */
export function waysOf(prompt: string): Ways | null {
  for (const s of roughSentences(prompt)) {
    const at = /,? (?:\bor\b) /iu.exec(s);
    if (!at) continue;
    const before = s.slice(0, at.index).split(/[:;(–—]/u);
    const after = s.slice(at.index + at[0].length).split(/[.;?)–—]/u);
    const left = near(before[before.length - 1] ?? '', 'last');
    const right = near(after[0] ?? '', 'first');
    // "Rebuild the levees, or set them back": both are about the levees, which therefore tell neither.
    if (/\b(?:it|them|they)\b/iu.test(after[0] ?? ''))
      for (const m of (before[before.length - 1] ?? '').matchAll(/\b(?:the|a|an|our|its) ([\p{L}-]+)/giu))
        for (const stem of stemsOf(m[1] ?? '')) left.delete(stem);
    const ways = { one: without(left, right), other: without(right, left) };
    if (ways.one.size > 0 && ways.other.size > 0) return ways;
  }
  return null;
}

/** Ways of saying where one stands. A story or a doubt is none. */
const STANDS =
  /\b(?:I|we)(?:[’']d| (?:\w+ )?(?:would|should|choose|chose|prefer|want|vote|favour|support|recommend|oppose))\b|\b(?:should|must|ought)\b|\bin my (?:opinion|view)\b|\bmy (?:choice|vote|plan|answer)\b|\bI(?:[’']m| am) (?:for|against)\b|\bbetter to\b|^(?:yes|no)\b/iu;
const DENIES =
  /^(?:not|never|no|don[’']?t|won[’']?t|wouldn[’']?t|shouldn[’']?t|cannot|can[’']?t|against|than|without|stop)$/iu;
/** A denial reaches so many words on. */
const REACH = 4;
/** A prompt that names one thing and asks for a yes or a no. */
const YES_OR_NO =
  /\b(?:should|for or against|would you|do you (?:agree|support)|is it right|was (?:she|he|it) right)\b[^.?]*\?/iu;
const FOR =
  /\b(?:yes|in favour|for it|I (?:would )?(?:support|back|allow)|keep it|do it|good idea|should (?!not))\b/iu;
const AGAINST =
  /\b(?:I[’']m against|against it|against the|I (?:would )?(?:oppose|forbid|drop|refuse)|shouldn[’']?t|should not|wouldn[’']?t|would not|don[’']?t do|bad idea|no,)\b/iu;

/** Where a text stands: above 0 for the one way (or for what is proposed), below 0 for the other, 0 where it does not say. */
export type View = { side: number; sentence: string | null };

/** A post says early, and again at its end, where it stands. */
const OPENING = 4;

/** Which way a sentence leans, by the words of either way that it denies or does not. */
function leaning(sentence: string, ways: Ways): number {
  const all = [...sentence.matchAll(/[\p{L}\p{N}]+(?:['’]\p{L}+)?/gu)];
  const denials = all.flatMap((m, at) => (DENIES.test(m[0]) ? [at] : []));
  const at = new Map(all.map((m, i) => [m.index, i]));
  return termsOf(sentence).reduce((n, t) => {
    const side = Number(ways.one.has(t.stem)) - Number(ways.other.has(t.stem));
    const here = at.get(t.start) ?? 0;
    const denied = denials.some((d) => d < here && here - d <= REACH);
    return n + (denied ? -side : side);
  }, 0);
}

/** Where a response stands between the two ways of its prompt, with the sentence that says so most plainly. */
export function viewOf(text: string, ways: Ways | null): View {
  const all = roughSentences(text);
  let side = 0;
  let most = 0;
  let sentence: string | null = null;
  const take = (by: number, said: string) => {
    if (by === 0) return;
    side += by;
    if (Math.abs(by) > most) [most, sentence] = [Math.abs(by), said];
  };
  all.forEach((s, i) => {
    if (!STANDS.test(s) || s.includes('?')) return;
    if (ways) take(leaning(s, ways), s);
    else if (i < OPENING || i >= all.length - 2) take((FOR.test(s) ? 1 : 0) - (AGAINST.test(s) ? 1 : 0), s);
  });
  return { side: Math.sign(side), sentence };
}

/** The same, remembered: everybody who looks at a class has every response of it looked at. */
export const knownView = remember((text: string, prompt: string): View => {
  const ways = waysOf(prompt);
  return ways || YES_OR_NO.test(prompt) ? viewOf(text, ways) : { side: 0, sentence: null };
}, 4_000);
