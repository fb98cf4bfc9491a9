import { stemmer } from 'stemmer';
import { remember } from '../memo';

/** Words that carry no subject of their own: articles, pronouns, auxiliaries, and the small words of thinking aloud. */
const COMMON = new Set(
  `a about above across actually after again against ago all almost alone along already also although always am among an and
  another any anybody anyone anything are aren around as ask at away b back be because been before being behind below beside
  best better between beyond both but by c came can cannot could couldn d day did didn do does doesn doing don done down
  during e each either else end enough especially etc even ever every everybody everyone everything far few first for form
  from full further get gets getting give given go goes going gone got had hadn has hasn have haven having he hello her here
  hers hey hi him his how however i if in indeed instead into is isn it its itself just keep kind know known large last later
  least less let like likely little ll long look lot lots m made make makes making many matter may maybe me mean means might
  mine more most mostly much must my myself near nearly need needs neither never new next no nobody none nor not nothing now
  of off often oh ok okay old on once one ones only onto or other others otherwise ought our out over own part per perhaps
  please point possible put quite rather re really right said same saw say saying says second see seem seems seen several
  shall she should shouldn since so some somebody someone something sometimes soon still such sure t take taken takes taking
  tell than thank thanks that the their them then there therefore these they thing things think thinking this those though
  thought three through thus time to together told too took toward towards try two u under unless until up upon us use used
  using usually ve very want wants was wasn way ways we well went were weren what whatever when where whether which while who
  whole whom whose why will with within without won word words would wouldn write wrote yes yet you your yours yourself
  im ive id dont didnt doesnt isnt cant wont thats whats theres youre ur ppl tbh idk lol haha lmao ofc w tho kinda gonna
  good great nice bad big small post posts reply discussion question questions dear`.split(/\s+/u),
);

/** A word of a text that has a subject: `stem` is what it shares with its other forms. */
export type Term = { stem: string; start: number; end: number };

/** "Levees", "levee" and "levee’s" are one: Porter's stem (1980) of the bare word. Numbers stand for themselves. */
const stemOf = remember((bare: string) => stemmer(bare), 20_000);

// Whole classes are read at once: counting needs the words of UAX #29, telling what a text is about does not, and this is ten
// times as fast.
const WORD = /[\p{L}\p{N}]+(?:['’][\p{L}]+)?/gu;

/**
 * The words of a text that have a subject, in order, by their stems.
 * @example termsOf('the levees') // one, the stem of levees
 */
export function termsOf(text: string): Term[] {
  const found: Term[] = [];
  for (const m of text.matchAll(WORD)) {
    const bare = m[0].toLowerCase().replace(/['’]\p{L}*$/u, '');
    if (COMMON.has(bare) || (bare.length < 2 && !/\d/u.test(bare))) continue;
    found.push({ stem: stemOf(bare), start: m.index, end: m.index + m[0].length });
  }
  return found;
}

/**
 * The stems of a text, each once.
 * @example stemsOf('levee levees').size // 1
 */
export const stemsOf = (text: string): Set<string> => new Set(termsOf(text).map((t) => t.stem));
