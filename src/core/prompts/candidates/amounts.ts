import { amountsOf } from '../quantities';
import { momentsOf } from '../times';
import type { Span } from '../outline/types';
import { around, overlaps } from './around';
import { QUOTED } from './quoted';
import type { Amount, Context } from './types';

/** What one brings along or writes into a text. */
const BROUGHT = ['source', 'image', 'video', 'audio', 'link', 'file', 'quote', 'question', 'idea'];
/** Asked for also where no number is said: "add a photo". */
const THINGS = new Set(['piece', ...BROUGHT]);
const ONE = new Set(['a', 'an', 'anoth', 'one', 'someon', 'somebodi', 'singl', 'whoever']);
/** What a number may count, what is said more narrowly first. */
const UNITS = ['length', 'piece', 'sentence', 'times', ...BROUGHT, 'person', 'answer', 'post', 'day'];
/** Numbers that are said in a word of their own. */
const OFTEN: Record<string, number> = { onc: 1, twice: 2, thrice: 3, both: 2 };
/** What stands near a number and may say what it counts. */
const TELLING = new Set([...BROUGHT, 'piece', 'sentence', 'length', 'person', 'answer', 'post', 'demand']);

const bucket = (n: number) =>
  n < 7
    ? String(n)
    : n < 13
      ? '7-12'
      : n < 25
        ? '13-24'
        : n % 10
          ? 'odd'
          : n <= 100
            ? '25-100'
            : n <= 600
              ? '100-600'
              : 'more';

const field = (fact: string) => fact.replace(/\.(?:min|max)$/u, '');

/**
 * The numbers of a sentence, and the things it names without one.
 * @example amountsIn(context) // of "Two replies and a photo." two
 */
export function amountsIn(c: Context): Amount[] {
  const { sentence: s, tokens, ruled } = c;
  const moments = momentsOf(s.text);
  const free = (span: Span) => !moments.some((m) => overlaps(m, span));
  const numbers = amountsOf(s.text).filter(free);
  const things = tokens.flatMap((t, i) => {
    // "notes.pdf" is a name.
    if (s.text[t.start - 1] === '.') return [];
    const near = tokens.slice(Math.max(0, i - 4), i);
    if (numbers.some((n) => n.at < t.end && n.end >= (near[0]?.start ?? 0) && n.at <= t.start)) return [];
    const one = near.some((x) => ONE.has(x.stem)) || ONE.has(t.stem);
    const isThing = t.kinds.some((k) => THINGS.has(k));
    const often = OFTEN[t.stem];
    if (often !== undefined && free(t))
      return [
        {
          start: t.start,
          end: t.end,
          at: t.start,
          min: often,
          max: undefined,
          bare: true,
          thing: t,
          one: false,
        },
      ];
    const isOther = t.kinds.some((k) => k === 'person' || k === 'post' || k === 'answer' || k === 'sentence');
    if (!(isThing || (one && isOther)) || !free(t)) return [];
    return [{ start: t.start, end: t.end, at: t.start, min: 1, max: undefined, bare: true, thing: t, one }];
  });
  return [...numbers.map((n) => ({ ...n, thing: null, one: false })), ...things].map((q): Amount => {
    const behind = tokens.filter((t) => t.start >= q.at).slice(0, 6);
    const unit = q.thing
      ? q.thing.kinds[0]
      : (UNITS.find((u) => behind.slice(0, 3).some((t) => t.kinds.includes(u))) ??
        UNITS.find((u) => behind.some((t) => t.kinds.includes(u))));
    const bound =
      q.min !== undefined && q.max !== undefined
        ? 'range'
        : q.max !== undefined
          ? 'max'
          : q.bare
            ? 'bare'
            : 'min';
    const value = q.min ?? q.max ?? 0;
    const features = around(c, {
      start: q.at,
      end: q.thing ? q.end : (tokens.find((t) => t.start >= q.at)?.end ?? q.end),
    });
    const to = c.addresses(s, q.at).who;
    features.push(
      `value:${bucket(value)}`,
      `bound:${bound}`,
      `unit:${unit ?? '-'}`,
      `unit+to:${unit ?? '-'}:${to}`,
      `unit+value:${unit ?? '-'}:${bucket(value)}`,
      q.thing ? `thing:${q.thing.stem}` : 'number',
    );
    const telling = (t: (typeof tokens)[number]) => t.kinds.find((k) => TELLING.has(k));
    const prev = [...tokens].reverse().find((t) => t.end <= q.at && telling(t));
    const next = tokens.find((t) => t.start > q.at && telling(t));
    features.push(
      `prev:${(prev && telling(prev)) ?? '-'}`,
      `unit+prev:${unit ?? '-'}:${(prev && telling(prev)) ?? '-'}`,
      `unit+next:${unit ?? '-'}:${(next && telling(next)) ?? '-'}`,
      `unit+bound:${unit ?? '-'}:${bound}`,
      `unit+asked:${unit ?? '-'}:${features.includes('not-asked') ? 'no' : 'yes'}`,
    );
    if (q.thing) features.push(q.one ? 'one-thing' : 'bare-thing', `${q.one ? 'one' : 'bare'}:${unit}`);
    for (const t of behind.slice(1, 5)) features.push(`n:${t.stem}`, ...t.kinds.map((k) => `nk:${k}`));
    if (ruled) {
      const said = ruled.filter(
        (f) =>
          typeof f.value === 'number' &&
          overlaps(f, { start: q.start, end: q.end }) &&
          (f.value === q.min || f.value === q.max),
      );
      for (const f of said) features.push(`rule:${field(f.fact)}`, `rule:${f.fact}`);
      if (said.length === 0) features.push('rule:none');
    }
    return {
      kind: 'amount',
      start: s.start + q.start,
      end: s.start + q.end,
      min: q.min,
      max: q.max,
      bare: q.bare,
      features,
    };
  });
}

const SMALL = 4;
const JOINED = /^[^.;:!?]{0,90}(?<![\p{L}])(?:and|plus|as well as)(?![\p{L}])[^.;:!?]{0,40}$/iu;

/**
 * Two small numbers of a sentence that are joined may be one of both: "one from the reader and one of your own" are two.
 * @example sumsIn(context, amounts) // of "One case and one statute." one, of two
 */
export function sumsIn({ sentence: s }: Context, amounts: readonly Amount[]): Amount[] {
  return amounts.slice(0, -1).flatMap((a, i): Amount[] => {
    const b = amounts[i + 1];
    if (!b || a.min === undefined || b.min === undefined || a.max !== undefined || b.max !== undefined)
      return [];
    if (a.min > SMALL || b.min > SMALL || b.start < a.end) return [];
    if (!JOINED.test(s.text.slice(a.end - s.start, b.start - s.start))) return [];
    const unit = (x: Amount) => x.features.find((f) => f.startsWith('unit:'))?.slice(5) ?? '-';
    const features = [
      ...a.features.filter((f) => !/^(?:value|unit\+value|rule|n|nk):/u.test(f)),
      'sum',
      `sum:${a.min}+${b.min}`,
      `sum-units:${unit(a)}+${unit(b)}`,
      ...b.features.filter((f) => /^(?:b[123]?|bk[12]?|a[123]?|ak[123]?):/u.test(f)).map((f) => `sum-${f}`),
    ];
    a.features.push('in-sum', `in-sum:${unit(a)}`);
    b.features.push('in-sum', `in-sum:${unit(b)}`);
    return [{ kind: 'amount', start: a.start, end: b.end, min: a.min + b.min, bare: true, features }];
  });
}

/**
 * Words that are quoted one after the other are so many ideas to use.
 * @example termsIn(context) // of 'Use "scale" and "centre".' one, of two
 */
export function termsIn(c: Context): Amount[] {
  const quoted = [...c.sentence.text.matchAll(QUOTED)];
  const [first] = quoted;
  const last = quoted[quoted.length - 1];
  if (!first || !last || quoted.length < 2) return [];
  const span = { start: first.index, end: last.index + last[0].length };
  const features = [...around(c, span), 'terms', `terms:${Math.min(6, quoted.length)}`];
  return [
    {
      kind: 'amount',
      start: c.sentence.start + span.start,
      end: c.sentence.start + span.end,
      min: quoted.length,
      bare: true,
      features,
    },
  ];
}
