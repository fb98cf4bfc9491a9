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
 *
 * @example waysOf('Rebuild the wall, or move it back?') // two ways
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

/** Says where its writer stands. A story, a wish of others or a doubt does not. */
const STANDS =
  /\b(?:I|we)(?:[’']d| (?:would|should))(?: (?:still|rather|always|definitely|certainly|therefore|also|never))?(?: (?:not|be))?\b|\bI (?:choose|chose|prefer|vote|favour|support|recommend|oppose|say|pick|back)\b|\bI(?:[’']m| am) (?:for|against|in favour)\b|\b(?:should|must|ought)\b|\bin my (?:opinion|view)\b|\bmy (?:choice|vote|plan|answer) is\b|\bis the better (?:plan|way|choice|idea)\b/iu;
/** At the very beginning an answer may be the bare choice: "Rebuild them.", "Set back, at least at the ford." */
const BARE = 9;
/** What makes a sentence say something else than where its writer stands now. */
const UNSURE =
  /\?|\b(?:if|unless|although|though|whereas|while|but|however|except|both|neither|either|or|maybe|perhaps|might|could|used to|wanted to|tempted|at first|not sure|undecided|depends|instead of asking|as if|pretend|imagine|suppose)\b/iu;
/** What others say, quoted or told. */
const OTHERS =
  /[“”"]|\b(?:they|others?|some|people|critics?|opponents?|supporters?|everyone|everybody|someone|somebody|he|she|the (?:other side|council|author|reading|chapter|engineers?|farmers?|teachers?|owners?|neighbours?|city|school)|my (?:father|mother|uncle|aunt|brother|sister|grand\w+|boss|friend|teacher))\b[^.]*\b(?:say|says|said|think|thinks|thought|argue|argues|argued|want|wants|wanted|claim|claims|believe|believes|would)\b/iu;
const DENIES =
  /^(?:not|never|no|don[’']?t|won[’']?t|wouldn[’']?t|shouldn[’']?t|cannot|can[’']?t|against|than|without|stop|oppose|refuse)$/iu;
/** A denial reaches so many words on. */
const REACH = 4;
/** A prompt that names one thing and asks for a yes or a no. */
const YES_OR_NO =
  /\b(?:should|for or against|would you|do you (?:agree|support)|is it right|was (?:she|he|it) right)\b[^.?]*\?/iu;
const FOR =
  /^yes\b|\bI(?:[’']m| am) (?:all )?(?:for|in favour of)\b|\bI (?:would )?(?:support|back|allow)\b/iu;
const AGAINST =
  /^no\b(?! doubt| wonder)|\bI(?:[’']m| am) (?:firmly )?against\b|\bI (?:would )?(?:oppose|forbid|refuse)\b/iu;

/** Where a text stands: above 0 for the one way (or for what is proposed), below 0 for the other, 0 where it does not say. */
export type View = { side: number; sentence: string | null };

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

const NOWHERE: View = { side: 0, sentence: null };

/**
 * Where a response stands between the two ways of its prompt, with the sentence that says so most plainly. Said only where it is
 * sure: the writer's own word, without an if or a but in it, and nowhere in the text one that leans the other way. A reader who
 * is told of another view that is none is told something false; one who is not told of it misses little.
 *
 * @example viewOf('I would move it back.', ways) // leans to the second, by that sentence
 */
export function viewOf(text: string, ways: Ways | null): View {
  let sure: { by: number; sentence: string } | null = null;
  let against = false;
  let sides = 0;
  roughSentences(text).forEach((s, i) => {
    const bare =
      i < 2 && s.split(/\s+/u).length <= BARE && !/\b(?:is|are|was|were|has|have|had|did)\b/iu.test(s);
    const by = ways ? leaning(s, ways) : (FOR.test(s) ? 1 : 0) - (AGAINST.test(s) ? 1 : 0);
    if (by === 0 || OTHERS.test(s)) return;
    if (!STANDS.test(s) && !bare && ways) return;
    // A sentence with an if or a but in it proves nothing; that it leans otherwise than the rest still makes that doubtful.
    if (sides !== 0 && Math.sign(by) !== sides) against = true;
    sides ||= Math.sign(by);
    if (UNSURE.test(s)) return;
    if (!sure || Math.abs(by) > Math.abs(sure.by)) sure = { by, sentence: s };
  });
  const found = sure as { by: number; sentence: string } | null;
  return found && !against ? { side: Math.sign(found.by), sentence: found.sentence } : NOWHERE;
}

/** Whether a prompt lets one go one way or the other: then two responses may be of opposite views. */
export const asksToChoose = remember(
  (prompt: string) => ({ chooses: waysOf(prompt) !== null || YES_OR_NO.test(prompt) }),
  200,
);

/** The same, remembered: everybody who looks at a class has every response of it looked at. */
export const knownView = remember((text: string, prompt: string): View => {
  if (!asksToChoose(prompt).chooses) return NOWHERE;
  return viewOf(text, waysOf(prompt));
}, 4_000);
