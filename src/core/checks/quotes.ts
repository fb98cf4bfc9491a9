import search from 'approx-string-match';
import { words } from '../text/words';
import type { Passage } from './passages';
import type { Evidence } from './types';

const key = (text: string) =>
  words(text)
    .map((w) => w.text.toLowerCase().replace(/’/gu, "'"))
    .join(' ');

/** Text between quotation marks or in a quotation block, with its place in the document. */
function quotedTexts(all: Passage[]): { text: string; at: Evidence }[] {
  return all.flatMap((p) => {
    const { line } = p;
    if (p.role === 'quote') {
      return [{ text: line.text, at: { from: line.pos, to: line.pos + line.text.length } }];
    }
    return p.quoted.map((q) => ({
      text: line.text.slice(q.start, q.end),
      at: { from: line.pos + q.start, to: line.pos + q.end },
    }));
  });
}

/** What a quotation that is not quite right may be off by, as a share of its letters. */
const NEAR_SHARE = 0.2;
/** Shorter ones are near to too much. */
const NEAR_MIN_WORDS = 4;
const NEAR_MOST_LETTERS = 600;

/** The stretch of a source that a quotation almost is, in the source's own words. */
function nearest(said: string, source: string): string | null {
  const wanted = key(said);
  if (wanted.split(' ').length < NEAR_MIN_WORDS || wanted.length > NEAR_MOST_LETTERS) return null;
  const text = source.toLowerCase().replace(/’/gu, "'");
  const [best] = search(text, wanted, Math.floor(wanted.length * NEAR_SHARE)).sort(
    (a, b) => a.errors - b.errors,
  );
  if (!best) return null;
  // Whole words, as they stand there.
  const start = /\S*$/u.exec(source.slice(0, best.start))?.index ?? best.start;
  const end = best.end + (/^\S*/u.exec(source.slice(best.end))?.[0].length ?? 0);
  return source.slice(start, end).trim();
}

export type Quoted = { found: Evidence[]; foreign: number; near: { said: string; stands: string }[] };

/**
 * The quotations of a text that really stand in one of its sources, compared by their words; `foreign` counts those that
 * stand in none, `near` names those of them that almost do, with the words that stand there. An ellipsis may leave
 * something out: every piece around it must stand in the source.
 *
 * @example “the river takes it” stands in 'In spring the river takes it back.'; “the river gives it” is near
 */
export function quotesFrom(all: Passage[], sources: readonly string[]): Quoted {
  const haystacks = sources.map((source) => ` ${key(source)} `);
  const quoted = quotedTexts(all).filter((q) => key(q.text) !== '');
  const stands = (text: string) => {
    const pieces = text
      .split(/…|\.\.\.|\[[^\]]*\]/u)
      .map(key)
      .filter((piece) => piece !== '');
    return haystacks.some((hay) => pieces.every((piece) => hay.includes(` ${piece} `)));
  };
  const found = quoted.filter((q) => stands(q.text));
  const foreign = quoted.filter((q) => !stands(q.text));
  return {
    found: found.map((q) => q.at),
    foreign: foreign.length,
    near: foreign.flatMap((q) => {
      const there = sources.map((source) => nearest(q.text, source)).find((text) => text !== null);
      return there ? [{ said: q.text, stands: there }] : [];
    }),
  };
}
