import { countWords } from '../text/words';
import { around, ownBoxes, spanOf, type Anchor } from './anchors';
import type { Line, Page } from './lines';
import { nameIn } from './names';
import { whensIn } from './when';

/** Words that stand on what one presses, and in no post by themselves. */
const PRESSED =
  /^(?:reply|quote|like|likes|unlike|edit|delete|report|flag|share|permalink|link|show (?:parent|more|less|replies)|hide replies|view (?:thread|replies|profile)|parent|more|less|options|actions|menu|bookmark|save|follow|unfollow|subscribe|mark as (?:read|unread)|unread|new|rate|helpful|upvote|downvote|collapse|expand|print|forward|copy link|jump to .{1,20}|back to top|top|\d+ (?:repl(?:y|ies)|likes?|comments?|views?|votes?|responses?|unread|words?|points?)|(?:repl(?:y|ies)|likes?|comments?|views?|words?)\s*[:(]?\s*\d+\)?|average of ratings:? .*|attachments?|(?:.{0,120}\s)?page \d+(?: of \d+)?|#\d+|no\.? ?\d+|\d+|[·|•–—↳→…⋮+-]+)$/iu;
const ROLE_ONLY =
  /^\(?(?:student|instructor|teacher|teaching assistant|course instructor|assistant|t\.?a\.?|staff|moderator|author|participant|member|learner|original poster|op)\)?$/iu;

/** A line without its numbers: what is the same from post to post belongs to the page. */
const shape = (text: string) => text.toLowerCase().replace(/\d+/gu, '#');

/** The text of each anchor's post, as lines of the page; `side` says where a page has it. */
export type Bodies = {
  side: 'after' | 'before';
  lines: number[][];
  /** The same with the lines of the page that stand among them. */
  whole: number[][];
};

/** A day that stands over what was written on it. */
const isDay = (text: string) => {
  const [when] = text.length > 44 ? [] : whensIn(text, 'day', '2000-01-01T00:00');
  return (
    when !== undefined &&
    !when.precise &&
    /^[\s\p{P}]*$/u.test(text.slice(0, when.start) + text.slice(when.end))
  );
};

/**
 * The lines that belong to the page: pressed, or the same from post to post.
 * @example pageLines(page, stretches, anchors) // the places of "Reply", "3 likes" and the like
 */
export function pageLines(
  page: Page,
  stretches: readonly (readonly number[])[],
  anchors: readonly Anchor[],
): Set<number> {
  const own = new Set(anchors.flatMap((a) => [...a.own]));
  const seen = new Map<string, Set<number>>();
  stretches.forEach((stretch, i) => {
    for (const n of stretch) {
      const text = page.lines[n]?.text ?? '';
      if (text.length > 44 || own.has(n)) continue;
      const at = seen.get(shape(text)) ?? new Set();
      seen.set(shape(text), at.add(i));
    }
  });
  const often = Math.max(3, Math.ceil(stretches.length * 0.4));
  const gone = new Set(own);
  stretches.forEach((stretch) => {
    for (const n of stretch) {
      const text = page.lines[n]?.text ?? '';
      if (
        isDay(text) ||
        PRESSED.test(text) ||
        ROLE_ONLY.test(text) ||
        (seen.get(shape(text))?.size ?? 0) >= often
      )
        gone.add(n);
    }
  });
  return gone;
}

const range = (from: number, to: number) =>
  Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);
const saysSomething = (page: Page, lines: readonly number[]) =>
  lines.some((n) => countWords(page.lines[n]?.text ?? '') >= 3);

/** The smallest stretch of lines whose boxes hold all anchors: what is beyond is no post. */
function bounds(page: Page, anchors: readonly Anchor[]): [number, number] {
  const [first, last] = [anchors[0]?.line ?? 0, anchors.at(-1)?.line ?? 0];
  let at: number | null = page.lines[first]?.box ?? 0;
  while (at !== null) {
    const box: Page['boxes'][number] | undefined = page.boxes[at];
    if (box && box.first <= first && box.last >= last && at !== 0) return [box.first, box.last];
    at = box?.parent ?? null;
  }
  return [0, page.lines.length - 1];
}

/** What may stand over who and when, and is no text of another post: a heading, a title, a word or two. */
const isHead = ({ text, heading }: Line) =>
  heading > 0 || countWords(text) < 3 || (countWords(text) <= 14 && !/[.!?…]["”’)]*$/u.test(text));

/**
 * The lines that surely belong to an anchor: from the first to the last of its own box, without the text of another post that a box
 * around its answers begins with, or ends with.
 */
function headSpan(page: Page, anchor: Anchor, after: number): [number, number] {
  const own = [...anchor.own];
  const [top, foot] = [Math.min(...own), Math.max(...own)];
  const [, to] = spanOf(page, anchor);
  let [first, last] = [top, foot];
  for (const id of around(page.boxes, page.lines[anchor.line]?.box ?? 0)) {
    const box = page.boxes[id];
    if (!box || box.first <= after || id === 0) break;
    const over = range(box.first, top - 1);
    if (over.length <= 3 && over.every((n) => isHead(page.lines[n] as Line)))
      first = Math.min(first, box.first);
    if (box.last <= to) last = Math.max(last, box.last);
  }
  return [first, last];
}

/**
 * What each post says. The name stands over the text on most pages, under it on some: where the first has nothing over it, and the last something under it, it is over.
 * @example bodiesOf(page, anchorsOf(page, now)).lines // the lines of each post's text
 */
export function bodiesOf(page: Page, anchors: readonly Anchor[]): Bodies {
  const [from, to] = bounds(page, anchors);
  const spans = anchors.map((a, i) => headSpan(page, a, Math.max(-1, ...(anchors[i - 1]?.own ?? []))));
  const starts = spans.map(([first]) => first);
  const ends = spans.map(([, last]) => last);
  const over = anchors.map((_, i) => range(starts[i] ?? 0, (starts[i + 1] ?? to + 1) - 1));
  const under = anchors.map((_, i) => range((ends[i - 1] ?? from - 1) + 1, ends[i] ?? 0));
  const clean = (stretches: number[][]) => {
    const gone = pageLines(page, stretches, anchors);
    return stretches.map((s) => s.filter((n) => !gone.has(n)));
  };
  const [after, before] = [clean(over), clean(under)];
  const full = (bodies: number[][]) => bodies.filter((b) => saysSomething(page, b)).length;
  // Where the text is in the anchor's own box, that box says on which side it stands.
  const inside = anchors.map((a, i) => {
    const [first, last] = [starts[i] ?? 0, ends[i] ?? 0];
    const head = Math.min(...a.own);
    const foot = Math.max(...a.own);
    return {
      over: saysSomething(page, range(foot + 1, last)),
      under: range(first, head - 1).some((n) => !isHead(page.lines[n] as Line)),
    };
  });
  const votes =
    inside.filter((s) => s.over && !s.under).length - inside.filter((s) => s.under && !s.over).length;
  const side =
    votes !== 0 ? (votes > 0 ? 'after' : 'before') : full(before) > full(after) ? 'before' : 'after';
  return side === 'after' ? { side, lines: after, whole: over } : { side, lines: before, whole: under };
}

/**
 * A heading or a bold line at the beginning of a post that is not its text: what it is called.
 * @example titleIn(page, [5, 6, 7], own) // 5, where that line is a heading
 */
export function titleIn(page: Page, body: readonly number[], own: ReadonlySet<number>): number | null {
  const [first] = body;
  const line = first === undefined ? undefined : page.lines[first];
  if (first === undefined || !line || own.has(first) || line.text.length > 160 || body.length < 2)
    return null;
  const subject =
    /^(?:re|aw|sv)(?:\[\d+\])?:\s/iu.test(line.text) || /^(?:subject|title)\s*:/iu.test(line.text);
  const isOver = first < Math.min(...own) && isHead(line);
  return (line.heading > 0 && !nameIn(line.text)) || subject || isOver ? first : null;
}

const kindAt = (page: Page, a: Anchor) => {
  const box = page.boxes[page.lines[a.line]?.box ?? 0];
  return `${box?.kind} in ${page.boxes[box?.parent ?? 0]?.kind}`;
};

/**
 * The anchors under which something is said. A list of names and moments, of what is new or of who was here, stands in boxes of its own kind and has hardly a text.
 * @example withTexts(page, anchorsOf(page, now)) // without those of a list of who was here
 */
export function withTexts(page: Page, anchors: readonly Anchor[]): Anchor[] {
  const { lines } = bodiesOf(page, anchors);
  const kinds = new Map<string, { all: number; full: number }>();
  anchors.forEach((a, i) => {
    const of = kinds.get(kindAt(page, a)) ?? { all: 0, full: 0 };
    kinds.set(kindAt(page, a), { all: of.all + 1, full: of.full + (lines[i]?.length ? 1 : 0) });
  });
  const isList = (a: Anchor) => {
    const of = kinds.get(kindAt(page, a));
    return of !== undefined && 2 * of.full < of.all;
  };
  const kept = anchors.filter((a) => !isList(a));
  if (kept.length < 2 || kept.length === anchors.length) return [...anchors];
  const boxes = ownBoxes(
    page,
    kept.map((a) => a.line),
  );
  return kept.map((a, i) => ({ ...a, box: boxes[i] ?? -1 }));
}
