import type { Box, Line, Page } from './lines';
import { nameIn, nameKey, type Named } from './names';
import { hourOn, orderOf, whensIn, type When } from './when';

/** A line that says who wrote something, and when: one for each post of a page. */
export type Anchor = {
  /** The line with the moment; of a page without moments the line with the name. */
  line: number;
  when: When | null;
  author: Named | null;
  /** The lines that belong to it and are no text of a post. */
  own: Set<number>;
  /** Whom its words say it answers. */
  to: string | null;
  /** The largest box that holds this anchor and no other. */
  box: number;
};

/** Beside a moment nothing but a name and some words of a page stands. */
const MOST_BESIDE = 90;
/** Of more posts nobody reads a page. */
const MOST_POSTS = 600;
/** These moments are not those of posts. */
const OTHER_MOMENTS =
  /\b(?:due|deadline|until|opens?|clos(?:es?|ed)|available|last (?:post|reply|activity|visit|edited|modified|updated)|edited|updated|modified|expires?|printed|exported|saved|downloaded|week of|copyright|joined|member since|last seen)\b|©/iu;
const ANSWERS =
  /(?:\b(?:in (?:reply|response|answer) to:?|(?:replied|replying|responded|responding|reply|response|answer(?:ed)?|comment(?:ed)?) (?:to|on)|to)\s+|[↳→»>]\s*)(.+)$/iu;
const SUBJECT = /^re(?:\[\d+\])?:\s*(.+)$/iu;

/** Ends a line that is a sentence of a text, and says no more than who and when. */
const isSentence = (rest: string) =>
  /[.!?]["”’)]*$/u.test(rest.trim()) && rest.trim().split(/\s+/u).length > 6;

function momentOf(line: Line, order: 'day' | 'month', now: string): When | null {
  const found = whensIn(line.text, order, now);
  const [first] = found;
  if (!first) {
    const marked = line.marked === null ? null : whensIn(line.marked, 'day', now)[0];
    return marked && line.text.length <= MOST_BESIDE
      ? { ...marked, start: line.text.length, end: line.text.length }
      : null;
  }
  const rest = found.reduceRight((text, w) => text.slice(0, w.start) + text.slice(w.end), line.text);
  if (rest.length > MOST_BESIDE || OTHER_MOMENTS.test(line.text) || isSentence(rest)) return null;
  const marked = line.marked === null ? null : whensIn(line.marked, 'day', now)[0];
  return marked?.wall && first.wall === null ? { ...first, wall: marked.wall, ago: null } : first;
}

/**
 * The boxes around a line, the innermost first.
 * @example [...around(page.boxes, page.lines[3].box)] // the boxes of the fourth line, the page itself last
 */
export function* around(boxes: readonly Box[], from: number): Generator<number> {
  let at: number | null = from;
  while (at !== null) {
    yield at;
    at = boxes[at]?.parent ?? null;
  }
}

const pieces = (text: string) =>
  text.split(/\s*[·|•–—]\s*|\s{2,}|,\s+(?=\d)/u).filter((p) => p.trim() !== '');

/** Whom a line names, beside its moment: the first of its pieces that is a name and nothing else. */
function namedOn(line: Line | undefined, when: When | null): { who: Named | null; to: string | null } {
  if (!line) return { who: null, to: null };
  let text = line.text;
  if (when) text = `${text.slice(0, when.start)} · ${text.slice(when.end)}`;
  const answers = ANSWERS.exec(text.replace(/\s·\s.*$/u, '')) ?? ANSWERS.exec(text);
  const to = answers
    ? nameIn(
        pieces(answers[1] ?? '')[0]
          ?.replace(/[’']s\b.*$/u, '')
          .replace(/\b(?:wrote|said)\b.*$/iu, '') ?? '',
      )
    : null;
  const before = to && answers ? text.slice(0, answers.index) : text;
  const whole = nameIn(before);
  if (whole) return { who: whole, to: to?.name ?? null };
  for (const piece of pieces(before)) {
    const who = nameIn(piece);
    if (who) return { who, to: to?.name ?? null };
  }
  return { who: null, to: to?.name ?? null };
}

const LABELLED = /^(?:from|by|author|name|user|von|sender)\s*:/iu;

/** Where beside the moment the name stands: so many lines before or after it, on its line, or first in a box around it. */
const PLACES = [0, -1, 1, -2, 2, 'top'] as const;
type Place = (typeof PLACES)[number];

/** A name that a box around a line begins with; `after` is the last line that belongs to another post. */
function topOf(
  page: Page,
  line: number,
  after: number,
): { at: number; who: Named; to: string | null } | null {
  for (const id of around(page.boxes, page.lines[line]?.box ?? 0)) {
    const box = page.boxes[id];
    if (!box || box.first <= after || id === 0) return null;
    for (let at = box.first; at < Math.min(line, box.first + 2); at += 1) {
      const found = (page.lines[at]?.text.length ?? 0) <= 80 ? namedOn(page.lines[at], null) : null;
      if (found?.who) return { at, who: found.who, to: found.to };
    }
  }
  return null;
}

/**
 * The largest box around each of some lines that holds none of the others.
 * @example ownBoxes(page, [4, 9]) // for each of the two lines the largest box without the other
 */
export function ownBoxes(page: Page, at: readonly number[]): number[] {
  const sorted = [...at].sort((a, b) => a - b);
  return at.map((line) => {
    const i = sorted.indexOf(line);
    const [before, after] = [sorted[i - 1] ?? -1, sorted[i + 1] ?? Infinity];
    let own = page.lines[line]?.box ?? 0;
    for (const id of around(page.boxes, own)) {
      const box = page.boxes[id];
      if (!box || box.first <= before || box.last >= after) break;
      own = id;
    }
    const box = page.boxes[own];
    // A line of its own in a box of many is its own box.
    return box && (box.first <= before || box.last >= after) ? -1 : own;
  });
}

/**
 * The line before which, and after which, no line belongs to an anchor's own box.
 * @example spanOf(page, anchor) // [4, 7]
 */
export const spanOf = (page: Page, anchor: Pick<Anchor, 'line' | 'box'>): [first: number, last: number] => {
  const box = anchor.box < 0 ? null : page.boxes[anchor.box];
  return box ? [box.first, box.last] : [anchor.line, anchor.line];
};

/** The moment each line of a page says; a line that says an hour only belongs to the day over it. */
function momentsOf(page: Page, order: 'day' | 'month', now: string): (When | null)[] {
  let day: string | null = null;
  return page.lines.map((line) => {
    if (line.text.length > 220) return null;
    const said = momentOf(line, order, now);
    const rest = said ? line.text.slice(0, said.start) + line.text.slice(said.end) : line.text;
    const isDay = said?.wall && !said.precise && /^[\s\p{P}]*$/u.test(rest);
    if (isDay) {
      day = said.wall;
      return null;
    }
    if (said || day === null || line.text.length > MOST_BESIDE || isSentence(line.text)) return said;
    return hourOn(line.text, day);
  });
}

/**
 * All lines of a page that say who wrote something and when, in its order; `now` is the day and hour of whoever saved it.
 * @example anchorsOf(page, '2026-10-15T08:00') // one for each post of the page
 */
export function anchorsOf(page: Page, now: string): Anchor[] {
  const { lines } = page;
  const order = orderOf(
    lines.filter((l) => l.text.length < 200).map((l) => l.text),
    now,
  );
  const moments = momentsOf(page, order, now);
  const at = lines.flatMap((_, i) => (moments[i] ? [i] : [])).slice(0, 2 * MOST_POSTS);
  if (at.length < 2) return byNames(page);
  const others = new Set(at);
  const boxes = ownBoxes(page, at);
  const nameAt = (i: number, place: Place): { at: number; who: Named; to: string | null } | null => {
    const line = at[i] ?? 0;
    if (place === 'top') return topOf(page, line, at[i - 1] ?? -1);
    const n = line + place;
    const said = lines[n];
    if (!said || (place !== 0 && (others.has(n) || said.text.length > 80))) return null;
    const between = Array.from({ length: Math.abs(place) }, (_, k) => line + Math.sign(place) * (k + 1));
    if (between.some((k) => others.has(k))) return null;
    const { who, to } = namedOn(said, place === 0 ? (moments[line] ?? null) : null);
    return who && { at: n, who, to };
  };
  // The place where most of them have a name; of two alike the nearer.
  const counts = PLACES.map((place) => at.filter((_, i) => nameAt(i, place)).length);
  const best = PLACES[counts.indexOf(Math.max(...counts))] ?? 0;
  const isWithin = (i: number, n: number) => {
    const box = page.boxes[boxes[i] ?? -1];
    return box !== undefined && boxes[i] !== 0 && n >= box.first && n <= box.last;
  };
  const named = at.flatMap((line, i): Anchor[] => {
    // Elsewhere only on the line itself, in a box that is the moment's own, or where a label says so.
    const found =
      nameAt(i, best) ??
      nameAt(i, 0) ??
      PLACES.map((p) => nameAt(i, p)).find(
        (f) => f && (isWithin(i, f.at) || LABELLED.test(lines[f.at]?.text ?? '')),
      ) ??
      null;
    if (!found) return [];
    const own = new Set([line, found.at]);
    if (best !== 'top')
      for (let n = Math.min(line, found.at); n <= Math.max(line, found.at); n += 1) own.add(n);
    const to = found.to ?? namedOn(lines[line], moments[line] ?? null).to;
    return [{ line, when: moments[line] ?? null, author: found.who, own, to, box: 0 }];
  });
  if (named.length < 2) return byNames(page);
  const own = ownBoxes(
    page,
    named.map((a) => a.line),
  );
  return named.slice(0, MOST_POSTS).map((a, i) => ({ ...a, box: own[i] ?? -1 }));
}

/** Of a page that says no moments: its repeated boxes that begin with a name. */
function byNames(page: Page): Anchor[] {
  const { lines } = page;
  const found = lines.flatMap((line, i): Anchor[] => {
    if (line.text.length > 80 || line.quoted) return [];
    const { who, to } = namedOn(line, null);
    const says =
      line.author ||
      line.heading > 0 ||
      /:\s*$|\b(?:wrote|said|posted|replied|answered)\b/iu.test(line.text) ||
      opens(page, i);
    return who && says ? [{ line: i, when: null, author: who, own: new Set([i]), to, box: 0 }] : [];
  });
  // Somebody alone with a name is a heading.
  const people = new Set(found.map((a) => nameKey(a.author?.name ?? '')));
  if (found.length < 2 || people.size < 2) return [];
  const boxes = ownBoxes(
    page,
    found.map((a) => a.line),
  );
  return found.map((a, i) => ({ ...a, box: boxes[i] ?? -1 }));
}

/** Whether a line is the first one of a box that has others of its kind beside it. */
function opens(page: Page, line: number): boolean {
  for (const id of around(page.boxes, page.lines[line]?.box ?? 0)) {
    const box = page.boxes[id];
    if (!box || box.first !== line || box.parent === null) return false;
    if (box.last > line && /^(?:article|li|tr|section|div|details)\b/u.test(box.kind)) {
      const alike = page.boxes.filter((b) => b.parent === box.parent && b.kind === box.kind).length;
      if (alike > 1) return true;
    }
  }
  return false;
}

/**
 * What a subject line answers: the words after "Re:".
 * @example subjectOf('Re: The bridge') // 'the bridge'
 */
export const subjectOf = (text: string): string | null =>
  SUBJECT.exec(text.trim())?.[1]?.trim().toLowerCase() ?? null;
