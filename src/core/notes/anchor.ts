import search from 'approx-string-match';

/**
 * Where a note stands in a text: the words themselves with what is before and after them, and their place. The two
 * selectors of the W3C Web Annotation model (TextQuoteSelector, TextPositionSelector) in one. Offsets are UTF-16 units
 * of the reading's text, `end` is exclusive.
 */
export type Anchor = { exact: string; prefix: string; suffix: string; start: number; end: number };

/** How a note's passage was found again: at its words, at its place alone, or at words that were changed a little. */
export type Found = { start: number; end: number; how: 'quote' | 'place' | 'alike' };

const CONTEXT = 32;
export const LONGEST_PASSAGE = 2_000;
/** Of a passage's letters so many may have changed before it counts as another. */
const MOST_CHANGED = 0.3;
/** Longer passages are looked for by their two ends: the search grows with the length. */
const LONG = 240;

/**
 * The anchor of a stretch of a text. White space at its ends is left outside.
 * @example anchorAt('the river rose', 4, 10) // { exact: 'river', prefix: 'the ', suffix: ' rose', … }
 */
export function anchorAt(text: string, from: number, to: number): Anchor | null {
  let start = Math.max(0, Math.min(from, to));
  let end = Math.min(text.length, Math.max(from, to));
  while (start < end && /\s/u.test(text[start] ?? '')) start += 1;
  while (end > start && /\s/u.test(text[end - 1] ?? '')) end -= 1;
  if (end <= start) return null;
  return {
    exact: text.slice(start, end),
    prefix: text.slice(Math.max(0, start - CONTEXT), start),
    suffix: text.slice(end, end + CONTEXT),
    start,
    end,
  };
}

/** How many characters two texts share from the given end on. */
function shared(a: string, b: string, from: 'start' | 'end'): number {
  let n = 0;
  const at = (s: string) => (from === 'start' ? s[n] : s[s.length - 1 - n]);
  while (n < a.length && n < b.length && at(a) === at(b)) n += 1;
  return n;
}

/** Of the places where the words stand, the one whose surroundings are most like those remembered, then the nearest. */
function byQuote(text: string, anchor: Anchor): Found | null {
  const { exact, prefix, suffix } = anchor;
  let best: { start: number; score: number } | null = null;
  for (let start = text.indexOf(exact); start >= 0; start = text.indexOf(exact, start + 1)) {
    const end = start + exact.length;
    const score =
      shared(text.slice(Math.max(0, start - CONTEXT), start), prefix, 'end') +
      shared(text.slice(end, end + CONTEXT), suffix, 'start') -
      Math.abs(start - anchor.start) / (text.length + 1);
    if (!best || score > best.score) best = { start, score };
  }
  return best && { start: best.start, end: best.start + exact.length, how: 'quote' };
}

/** The place alone: trusted only where what stands around it is what stood around it, so that the words were rewritten there. */
function byPlace(text: string, anchor: Anchor): Found | null {
  const { start, end, prefix, suffix } = anchor;
  if (prefix.length < 8 || suffix.length < 8 || end > text.length) return null;
  const same =
    text.slice(start - prefix.length, start) === prefix && text.slice(end, end + suffix.length) === suffix;
  return same ? { start, end, how: 'place' } : null;
}

type Match = { start: number; end: number; errors: number };

/** The likeliest of several alike: the fewest changes, then the nearest to where it stood. */
function likeliest(matches: Match[], near: number): Match | null {
  let best: Match | null = null;
  for (const m of matches) {
    if (
      !best ||
      m.errors < best.errors ||
      (m.errors === best.errors && Math.abs(m.start - near) < Math.abs(best.start - near))
    )
      best = m;
  }
  return best;
}

function byLikeness(text: string, anchor: Anchor): Found | null {
  const { exact } = anchor;
  if (exact.length < 6) return null;
  if (exact.length <= LONG) {
    const found = likeliest(search(text, exact, Math.floor(exact.length * MOST_CHANGED)), anchor.start);
    return found && { start: found.start, end: found.end, how: 'alike' };
  }
  const half = LONG / 2;
  const errors = Math.floor(half * MOST_CHANGED);
  const head = likeliest(search(text, exact.slice(0, half), errors), anchor.start);
  if (!head) return null;
  // The end is looked for behind the beginning, and not further off than the passage could have grown.
  const reach = text.slice(head.start, head.start + exact.length * 2);
  const tail = likeliest(search(reach, exact.slice(-half), errors), exact.length - half);
  return tail && { start: head.start, end: head.start + tail.end, how: 'alike' };
}

/**
 * Finds an anchor's passage in a text that may have changed since: by its words with what surrounds them, then by its
 * place, then by likeness. Null for one that is gone: its note is an orphan and is shown as one.
 *
 * @example locate('The wall held for seventy years.', anchor of 'held for sixty years') // the changed words, 'alike'
 */
export const locate = (text: string, anchor: Anchor): Found | null =>
  byQuote(text, anchor) ?? byPlace(text, anchor) ?? byLikeness(text, anchor);

/**
 * The anchor of words that somebody typed or copied, wherever they stand; null where they do not.
 * @example anchorOfWords('the river rose', 'lake') // null
 */
export function anchorOfWords(text: string, words: string): Anchor | null {
  const exact = words.replace(/\s+/gu, ' ').trim().slice(0, LONGEST_PASSAGE);
  if (!exact) return null;
  const spaced = text.replace(/\s/gu, ' ');
  const found = locate(spaced, { exact, prefix: '', suffix: '', start: 0, end: exact.length });
  return found && anchorAt(text, found.start, found.end);
}
