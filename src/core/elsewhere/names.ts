/** What stands before or after a name and is none. */
const AROUND =
  /^(?:(?:new |first )?(?:posted|written|submitted|created|added|started|sent|shared|published|reply|replied|response|answered|comment(?:ed)?|entry|message|post|author|user|name)(?: (?:by|from))?|by|from|re)\b[:\s]*|(?:\s+(?:(?:has )?(?:said|says|wrote|writes|posted|replied|responded|answered|commented)(?: (?:on|at|this))?|on|at|posted on)|\s*[·|,:(–—-])+\s*$/giu;
/** What people put beside their name about how to speak of them. */
const PRONOUNS = /\s*[([](?:\p{L}{2,5}\/)+\p{L}{2,6}[)\]]/giu;
const TITLES = /^(?:(?:dr|prof(?:essor)?|mr|mrs|ms|mx|miss)\.?\s+)+/iu;
const ROLE =
  /[\s,(·|–—-]*\(?\b(?:(?:course )?instructor|(?:course )?teacher|professor|lecturer|tutor|(?:teaching )?assistant|t\.?a\.?|facilitator|moderator|staff|student|learner|participant|author|you|me)\b\)?\.?$/iu;
const STAFF =
  /\b(?:instructor|teacher|professor|prof|lecturer|tutor|assistant|t\.?a\.?|facilitator|moderator|staff|dr)\b/iu;
const PARTICLE = /^(?:de|da|di|del|della|van|von|der|den|la|le|al|el|bin|ibn|ben|y|dos|du|ter|af|o’)$/u;
const WORD = /^(?:\p{Lu}[\p{L}’'-]*\.?|\p{Lu}\.)$/u;
/** Words that begin with a capital on a page and name nobody. */
const NOBODY =
  /^(?:reply|replies|post|posts|posted|discussion|discussions|forum|topic|thread|week|unit|module|course|home|like|likes|edit|quote|share|report|show|hide|view|more|new|unread|read|mark|subscribe|search|sort|date|author|subject|message|re|from|to|sent|attachments?|download|prompt|instructions?|rubric|due|points|grade|question|part|yes|no|i|the|this|that|my|in|on|a|an|it|we|you|hi|hello|dear|thanks?|mon|tue|wed|thu|fri|sat|sun|monday|tuesday|wednesday|thursday|friday|saturday|sunday|january|february|march|april|may|june|july|august|september|october|november|december|today|yesterday|last|original|response|responses|student|instructor|teacher|staff|assistant|word|words|page|next|previous|print|close|menu|all|level|answer|answers|text|texts|title|titles|messages|status|name|names|comment|comments|permalink|unanswered|pinned|open|closed)$/iu;

export type Named = { name: string; staff: boolean };

/**
 * The person a short piece of text names and nothing else; null where it names nobody. A role beside the name says whether they teach.
 * @example nameIn('Posted by Dr. Maren Holt (Instructor)') // { name: 'Dr. Maren Holt', staff: true }
 */
export function nameIn(piece: string): Named | null {
  let text = piece
    .replace(/\s+/gu, ' ')
    .replace(/^\s*(?:#\d+|\d+(?:\.\d+)*[.)]?)\s+/u, '')
    .replace(PRONOUNS, '')
    // A label: "Author: ".
    .replace(/^\s*\p{L}{2,12}:\s+(?=\p{L})/u, '')
    .trim();
  const staff = STAFF.test(text);
  for (let i = 0; i < 3; i += 1)
    text = text
      .replace(AROUND, '')
      .replace(ROLE, '')
      .replace(/^[\s·|,:–—([@#>*-]+|[\s·|,:–—([\])>*-]+$/gu, '');
  const bare = text.replace(TITLES, '');
  if (bare === '' || bare.length > 48) return null;
  // "Vasquez, Noor"
  const turned = /^((?:\p{Ll}+ ){0,2}\p{Lu}[\p{L}’'-]+),\s*(\p{Lu}[\p{L}’'. -]+)$/u.exec(bare);
  const straight = turned ? `${turned[2]} ${turned[1]}` : bare;
  const words = straight.split(' ');
  if (words.length > 5 || words.some((w) => NOBODY.test(w.replace(/\.$/u, '')))) return null;
  if (!words.every((w, i) => WORD.test(w) || (i > 0 && PARTICLE.test(w)))) return null;
  const title = TITLES.exec(text)?.[0] ?? '';
  const isAllCapitals = words.length === 1 && straight.length < 5 && straight === straight.toUpperCase();
  return isAllCapitals ? null : { name: `${title}${straight}`.trim(), staff };
}

/**
 * The same person in other letters: without titles, marks and capitals.
 * @example nameKey('Dr. Maren Holt') // 'maren holt'
 */
export const nameKey = (name: string) =>
  name
    .replace(TITLES, '')
    .normalize('NFKD')
    .replace(/[^\p{L} ]/gu, '')
    .toLowerCase()
    .trim();

/**
 * The words of a name, to be held against another's many times.
 * @example nameWords('Dr. Maren Holt') // ['maren', 'holt']
 */
export const nameWords = (name: string) => nameKey(name).split(' ').filter(Boolean);

/**
 * The same as `sameName` for the words of two names.
 * @example sameWords(['noor'], ['noor', 'vasquez']) // true
 */
export function sameWords(x: readonly string[], y: readonly string[]): boolean {
  const [short, long] = x.length <= y.length ? [x, y] : [y, x];
  const fits = (a: string, b: string) =>
    a === b || (a.length === 1 && b.startsWith(a)) || (b.length === 1 && a.startsWith(b));
  return short.length > 0 && short.every((w, i) => fits(w, long[i] ?? '') || long.at(-1) === w);
}

/**
 * Whether two names can be one person's: the same, or one of them shorter.
 * @example sameName('Noor Vasquez', 'Noor V.') // true
 */
export const sameName = (a: string, b: string): boolean => sameWords(nameWords(a), nameWords(b));

/**
 * Whether a name on a page is the reader's own: written out, or shorter where nobody on the page has it written out.
 * @example isOwnName('Imani', 'Imani Okoro', ['Imani', 'Imani Okoro']) // false: another Imani
 */
export const isOwnName = (name: string, own: string, all: readonly string[]): boolean =>
  nameKey(name) === nameKey(own) ||
  (sameName(name, own) && !all.some((other) => nameKey(other) === nameKey(own)));
