/** A passage around what was found, cut into what matched and what did not. */
export type Passage = { text: string; hit: boolean }[];

/** The database sets these around a match; they cannot stand in a text (control characters are taken out of posts). */
export const HIT_START = '\u0002';
export const HIT_END = '\u0003';

/**
 * A marked passage as pieces, so that nothing of it is ever put into a page as markup.
 * @example a passage with one marked word gives three pieces, of which the second is a hit
 */
export function passageOf(marked: string): Passage {
  return marked
    .replace(/\s+/gu, ' ')
    .split(HIT_START)
    .flatMap((piece, i) => {
      if (i === 0) return [{ text: piece, hit: false }];
      const [hit = '', ...rest] = piece.split(HIT_END);
      return [
        { text: hit, hit: true },
        { text: rest.join(''), hit: false },
      ];
    })
    .filter((p) => p.text !== '');
}
