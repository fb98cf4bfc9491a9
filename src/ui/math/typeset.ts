import katex from 'katex';

/** Formulas set before: a conversation may show the same one many times, and setting one takes milliseconds. */
const KEEP = 500;
const set = new Map<string, string | null>();

/**
 * A formula set by KaTeX, as markup with MathML for screen readers; null where it cannot be read. Commands that could
 * reach outside the formula (links, files, classes) are off, its size and the work it may ask for are bounded.
 */
export function typeset(latex: string, ownLine: boolean): string | null {
  const key = `${ownLine ? 'b' : 'i'}${latex}`;
  const before = set.get(key);
  if (before !== undefined) return before;
  let html: string | null;
  try {
    html = katex.renderToString(latex, {
      displayMode: ownLine,
      output: 'htmlAndMathml',
      throwOnError: true,
      trust: false,
      strict: 'ignore',
      maxSize: 10,
      maxExpand: 200,
    });
  } catch {
    html = null;
  }
  if (set.size >= KEEP) set.clear();
  set.set(key, html);
  return html;
}
