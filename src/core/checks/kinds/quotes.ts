import type { CheckKind, Draft } from '../check-kind';
import { quotesFrom } from '../quotes';
import type { Evidence } from '../types';

/** All that stands in quotation marks or is set as a quotation: what can be told where no source is here to compare with. */
const anyQuotes = (all: Draft['all']): Evidence[] =>
  all
    .filter((p) => (p.role === 'quote' && p.otherWords > 0) || p.quoted.length > 0)
    .flatMap((p) =>
      (p.role === 'quote' ? [{ start: 0, end: p.line.text.length }] : p.quoted).map((q) => ({
        from: p.line.pos + q.start,
        to: p.line.pos + q.end,
      })),
    );

/** In a reply a quotation is the classmate's words. In a response it is a reading's, where its text is here to be compared. */
export const quotes: CheckKind = {
  id: 'quotes',
  find: ({ input, rules, all }) => {
    if (!rules.quotes) return null;
    const quotable = input.kind === 'reply' ? [input.answered.text] : (input.readings ?? []);
    if (input.kind === 'response' && quotable.length === 0) {
      const at = anyQuotes(all);
      return { have: at.length, need: rules.quotes, evidence: at };
    }
    const { found, foreign, near } = quotesFrom(all, quotable);
    const short = found.length < rules.quotes.min && foreign > 0;
    return {
      have: found.length,
      need: rules.quotes,
      evidence: found,
      missing: short
        ? { code: input.kind === 'reply' ? 'quotes-not-theirs' : 'quotes-not-read', found: foreign }
        : null,
      remarks: near.map((n) => ({ code: 'quote-near', ...n })),
    };
  },
};
