import { around, overlaps } from './around';
import type { Context, Quoted } from './types';

/** A few words in quotation marks. */
export const QUOTED = /[“"](?<text>[^”"“\n]{2,80})[”"]/gu;

/**
 * What a sentence quotes: it may be the title a post must have.
 * @example quotedIn(context) // of 'Call it "Object X".' one
 */
export function quotedIn(c: Context): Quoted[] {
  return [...c.sentence.text.matchAll(QUOTED)].map((m): Quoted => {
    const span = { start: m.index, end: m.index + m[0].length };
    const text = (m.groups?.text ?? '').replace(/[,.;]$/u, '');
    const features = around(c, span);
    features.push(`capital:${/^\p{Lu}/u.test(text)}`, `words:${Math.min(6, text.split(/\s+/u).length)}`);
    if (c.ruled) {
      const said = c.ruled.some((f) => f.fact === 'response.title' && overlaps(f, span));
      features.push(`rule:${said}`);
    }
    return {
      kind: 'quoted',
      start: c.sentence.start + span.start,
      end: c.sentence.start + span.end,
      text,
      features,
    };
  });
}
