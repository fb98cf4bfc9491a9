/** What was typed into find, taken apart. */
export type FindAsk = {
  /** The words themselves, filters taken out; phrases keep their quotation marks. */
  text: string;
  /** `from:` somebody: a piece of a name, or "me". */
  from: string | null;
  /** `in:` a course: a piece of its address. */
  course: string | null;
};

const LONGEST = 200;
const FILTER = /(^|\s)(from|in):("([^"]*)"|\S*)/giu;

/**
 * Takes a search apart: `from:noor` and `in:geo-115` narrow it, what is left is searched for.
 *
 * @example parseFind('levee in:geo-115 from:"noor vasquez"') // { text: 'levee', from: 'noor vasquez', course: 'geo-115' }
 */
export function parseFind(typed: string): FindAsk {
  let from: string | null = null;
  let course: string | null = null;
  const text = typed
    .normalize('NFC')
    .replace(/\p{Cc}/gu, ' ')
    .slice(0, LONGEST)
    .replace(FILTER, (_all, space: string, name: string, value: string, quoted: string | undefined) => {
      const said = (quoted ?? value).trim().toLowerCase();
      if (name.toLowerCase() === 'from') from = said || from;
      else course = said || course;
      return space;
    })
    .replace(/\s+/gu, ' ')
    .trim();
  return { text, from, course };
}

/**
 * The text of a search with one of its filters set, or taken off by null.
 * @example withFilter('flood', 'from', 'Noor Vasquez') // 'flood from:"Noor Vasquez"'
 */
export function withFilter(typed: string, filter: 'from' | 'in', value: string | null): string {
  const rest = typed
    .replace(FILTER, (all: string, space: string, name: string) =>
      name.toLowerCase() === filter ? space : all,
    )
    .replace(/\s+/gu, ' ')
    .trim();
  if (value === null) return rest;
  const said = /\s/u.test(value) ? `"${value}"` : value;
  return `${rest} ${filter}:${said}`.trim();
}

/**
 * The bare words of a search, for those places that know nothing of phrases.
 * @example bareWords('“Room for the river”') // ['room', 'for', 'the', 'river']
 */
export const bareWords = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .slice(0, 12);
