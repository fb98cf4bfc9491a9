import { NUMBER, valueOf } from './numbers';
import { latin } from './pattern';

/* Numbers with what is said of them: at least, at most, from … to, about. */

export type Quantity = {
  min?: number;
  max?: number;
  /** The number alone, and the whole phrase with its bounds. */
  at: number;
  start: number;
  end: number;
  /** A bare number: no word says whether it is the least or the most. */
  bare: boolean;
};

const AT_LEAST =
  'at (?:the )?(?:very )?least|(?:a |the )?minimum(?: of| length(?: of|:)?| word count(?: of|:)?|:)?|min\\.?:?|no(?:t)? (?:fewer|less) than|no shorter than|not under|upwards? of|from';
const AT_MOST =
  "at (?:the )?(?:very )?most|(?:no|not) (?:more|longer) than|not? (?:to )?exceed(?:ing)?|(?:can(?:no|['’])t|must not|may not|should not|shouldn['’]t|don['’]t|do not|never) (?:exceed|go (?:over|above|beyond|past)|be (?:more|longer) than|run (?:over|past))|(?:a |the )?maximum(?: of| length(?: of|:)?|:)?|max\\.?:?|up to|within|limit(?:ed)?(?: of| to| is|:)?|without exceeding|kept to|stick to|keep to|keep (?:it|this|them|each|yours?) (?:to|under|below|within)";
const MORE = 'more than|over|above|longer than|in excess of|beyond|exceed(?:s|ing)?';
const FEWER = 'fewer than|less than|under|below|shorter than';
const ABOUT =
  'about|around|roughly|approximately|approx\\.?|some|nearly|circa|close to|in the region of|somewhere|anything|anywhere|a good|exactly|only';
const NEGATION = latin(
  /(?<![\p{L}])(?:not|no|n['’]t|never|neither|nor|nobody|without|can(?:no|['’])t|\p{L}+n['’]t)(?![\p{L}])[^.;:]{0,25}$/iu,
);

const PHRASE = latin(
  new RegExp(
    `(?<![\\p{L}\\p{N}])(?:(?<low>${AT_LEAST})\\s+|(?<high>${AT_MOST})\\s+|(?<more>${MORE})\\s+|(?<fewer>${FEWER})\\s+)?(?:(?:${ABOUT})\\s+)?(?:(?<between>between|from)\\s+)?(?:(?:about|around)\\s+)?(?<a>${NUMBER})(?:(?<join>\\s*[–—-]\\s*|\\s+to\\s+|\\s+and\\s+|\\s+or\\s+)(?<b>${NUMBER}))?(?<plus>\\s?\\+)?`,
    'dgiu',
  ),
);
const LOW_AFTER =
  '(?:or (?:more|above|longer|over)|minimum|min\\.?(?![\\p{L}])|at (?:the )?(?:very )?least|at (?:a )?minimum|and up(?:wards)?|plus|least|or so at least)';
const HIGH_AFTER =
  '(?:and (?:not|no) (?:one |a (?:single )?word )?more|no more(?! than)|or (?:fewer|less|under|below|shorter)|maximum|max\\.?(?![\\p{L}])|at (?:the )?(?:very )?most|tops|(?:is )?(?:the |a )?(?:strict |upper |absolute |hard )?limit|in total at most)';
const DIRECTLY = latin(new RegExp(`^\\s+(?:(?<low>${LOW_AFTER})|(?<high>${HIGH_AFTER}))`, 'iu'));
const AFTER_UNIT = latin(
  new RegExp(
    `^(?:\\s+(?:long|in length|each|apiece|per \\p{L}+|in all|total|altogether|in total|overall)){0,2}\\s*[,(]?\\s*(?:(?:is|are|being) (?:the|a|my|our) )?(?:(?<low>${LOW_AFTER})|(?<high>${HIGH_AFTER}))(?!\\s*:?\\s*(?:of\\s+)?\\d)`,
    'iu',
  ),
);
const NOTHING_COUNTS = latin(
  /^[^.;]{0,40}(?<![\p{L}])(?:not (?:be )?(?:count|accept|mark|grad|credit|read)\p{L}*|(?:won|don|doesn|isn|aren)['’]t (?:be )?(?:count|accept|mark|grad|earn)\p{L}*|no (?:credit|marks|points)|(?:is|are)(?:n['’]t| not) (?:an? |enough|considered|repl|respons)|deemed|earn nothing|zero|returned)/iu,
);

/** The grammar has a few dozen units; each becomes an expression once. */
const UNITS = new Map<string, RegExp>();
function followedBy(unit: string): RegExp {
  const known = UNITS.get(unit) ?? latin(new RegExp(`^(?:\\s|-)+(?<unit>${unit})(?![\\p{L}])`, 'iu'));
  UNITS.set(unit, known);
  return known;
}

const NOTHING = /^/u;

/** One sentence is asked for many units in a row: its number phrases are found once. */
let phrased: { text: string; found: RegExpExecArray[] } = { text: '', found: [] };
function phrasesOf(text: string): RegExpExecArray[] {
  if (phrased.text !== text)
    phrased = {
      text,
      found:
        /\d|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|teen|ty|hundred|thousand|couple|pair|dozen|trio|single/iu.test(
          text,
        )
          ? [...text.matchAll(PHRASE)]
          : [],
    };
  return phrased.found;
}

/**
 * Every quantity of a sentence whose number is followed by `unit`, an expression's source that may begin with other words.
 * @example quantitiesOf('80 to 100 words', 'words') // one quantity, from 80 to 100
 */
export function quantitiesOf(
  text: string,
  unit: string,
): (Quantity & { unitEnd: number; unitText: string })[] {
  return boundedBy(text, followedBy(unit));
}

/**
 * Every number of a sentence, whatever stands behind it, with what is said of it.
 * @example amountsOf('Two posts; 150 at most') // two, the second at most 150
 */
export function amountsOf(text: string): Quantity[] {
  const named = quantitiesOf(text, '\\p{L}+');
  const bare = boundedBy(text, NOTHING).filter((q) => !named.some((n) => n.at === q.at));
  return [...named, ...bare].sort((a, b) => a.at - b.at);
}

function boundedBy(text: string, follows: RegExp): (Quantity & { unitEnd: number; unitText: string })[] {
  return phrasesOf(text).flatMap((m) => {
    const g = m.groups ?? {};
    const joined = g.b !== undefined && (!/and/iu.test(g.join ?? '') || g.between !== undefined);
    const first = valueOf(g.a ?? '');
    // "between 80 and 100" is a range; "two and three" is not.
    const places = m.indices?.groups ?? {};
    const numberEnd = joined ? m.index + m[0].length : (places.a?.[1] ?? m.index) + (g.plus ?? '').length;
    let rest = text.slice(numberEnd);
    const directly = DIRECTLY.exec(rest);
    let skipped = 0;
    if (directly) {
      skipped = directly[0].length;
      rest = rest.slice(skipped);
    }
    const u = follows.exec(rest);
    if (!u) return [];
    const unitEnd = numberEnd + skipped + u[0].length;
    const tail = text.slice(unitEnd);
    const after = directly ? null : AFTER_UNIT.exec(tail);
    const low =
      g.low !== undefined ||
      g.plus !== undefined ||
      directly?.groups?.low !== undefined ||
      after?.groups?.low !== undefined;
    const high =
      g.high !== undefined || directly?.groups?.high !== undefined || after?.groups?.high !== undefined;
    const negated = NEGATION.test(text.slice(0, m.index));
    const base = {
      at: places.a?.[0] ?? m.index,
      start: m.index,
      end: after ? unitEnd + after[0].length : unitEnd,
      unitEnd,
      unitText: u.groups?.unit ?? '',
      bare: false,
    };
    if (joined) {
      const second = valueOf(g.b ?? '');
      return [{ ...base, min: Math.min(first, second), max: Math.max(first, second) }];
    }
    if (g.more !== undefined && !low) return [{ ...base, ...(negated ? { max: first } : { min: first }) }];
    if (g.fewer !== undefined) {
      return [{ ...base, ...(negated || NOTHING_COUNTS.test(tail) ? { min: first } : { max: first }) }];
    }
    if (high && !low) return [{ ...base, max: first }];
    if (low) return [{ ...base, min: first }];
    return [{ ...base, min: first, bare: true }];
  });
}
