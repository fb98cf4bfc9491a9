/* A text without its marks of emphasis, with the way back to where everything stood. */

export type Plain = {
  text: string;
  /** The place in the text given of each place in this one. */ at: (i: number) => number;
};

const EMPHASIS =
  /\*{1,3}(?=[^\s*])|(?<=[^\s*])\*{1,3}|(?<![\p{L}\p{N}_])_{1,2}(?=[^\s_])|(?<=[^\s_])_{1,2}(?![\p{L}\p{N}_])|`+|~~/gu;

/**
 * Takes the marks of emphasis out, and makes one space of several; everything else stays.
 * @example plainOf('**250** words').text // '250 words'
 */
export function plainOf(source: string): Plain {
  const kept: number[] = [];
  let text = '';
  const drop = new Set<number>();
  for (const m of source.matchAll(EMPHASIS)) {
    // A list mark is no emphasis.
    if (
      /^\*$/u.test(m[0]) &&
      /(?:^|\n)\s*$/u.test(source.slice(0, m.index)) &&
      /^\s/u.test(source.slice(m.index + 1))
    )
      continue;
    for (let i = m.index; i < m.index + m[0].length; i += 1) drop.add(i);
  }
  for (let i = 0; i < source.length; i += 1) {
    if (drop.has(i)) continue;
    const c = source[i] === '\u00a0' || source[i] === '\u202f' ? ' ' : (source[i] ?? '');
    if (c === ' ' && text.endsWith(' ')) continue;
    text += c;
    kept.push(i);
  }
  return { text, at: (i) => (i < kept.length ? (kept[i] ?? source.length) : source.length) };
}
