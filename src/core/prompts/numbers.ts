/* Numbers as prompts write them: digits with or without thousands marks, and number words up to the thousands. */

const ONES: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const POWERS: Record<string, number> = { hundred: 100, thousand: 1_000 };
const SETS: Record<string, number> = {
  'a couple': 2,
  'a couple of': 2,
  'couple of': 2,
  'a pair of': 2,
  'a trio of': 3,
  'half a dozen': 6,
  'a dozen': 12,
  'a single': 1,
  single: 1,
};

const ones = Object.keys(ONES).join('|');
const powers = Object.keys(POWERS).join('|');
const sets = Object.keys(SETS)
  .sort((a, b) => b.length - a.length)
  .join('|');

/** The source of an expression for one number; between two letters or digits nothing of it begins or ends. */
export const NUMBER = `(?<![\\p{L}\\p{N}.,£$€]|\\d:|(?:^|\\P{N})-)(?:\\d{1,3}(?:,\\d{3})+|\\d+|(?:${sets})(?=\\s)|(?:(?:${ones})|an?\\s+(?:${powers}))(?:[\\s-]+(?:${ones}|${powers})|\\s+and\\s+(?:${ones})(?<=(?:${powers})\\s+and\\s+\\p{L}+))*)(?![\\p{L}\\p{N}%]|[.,:]\\d|\\s*(?:%|per\\s?cent))`;

/**
 * The value of a number as it stands in a text.
 * @example valueOf('two hundred and twenty') // 220
 * @example valueOf('1,800') // 1800
 */
export function valueOf(text: string): number {
  const said = text.toLowerCase().replace(/\s+/gu, ' ').trim();
  if (/^\d/u.test(said)) return Number(said.replaceAll(',', ''));
  if (said in SETS) return SETS[said] ?? 0;
  let sum = 0;
  let group = 0;
  for (const word of said.split(/[\s-]+/u)) {
    if (word in POWERS) {
      const power = POWERS[word] ?? 1;
      group = Math.max(1, group) * power;
      if (power === 1_000) {
        sum += group;
        group = 0;
      }
    } else group += ONES[word] ?? 0;
  }
  return sum + group;
}
