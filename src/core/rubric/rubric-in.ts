import { plainText } from '../document/flatten';
import type { BlockNode, Doc, Table } from '../document/nodes';
import { fieldOf, levelFieldOf, MOST_CRITERIA, MOST_LEVELS, rubricOfForm } from './form';
import type { Rubric } from './rubric';

type Cells = string[][];

const NUMBER = String.raw`\d{1,3}(?:[.,]\d{1,2})?`;
/** "4", and of a range its better end: "9 to 10", "10–8". */
const AMOUNT = String.raw`(${NUMBER})(?:\s*(?:-|–|—|to)\s*(${NUMBER}))?`;
const UNIT = String.raw`(?:[Pp]oints?|POINTS?|[Pp]ts?\b\.?|PTS?|[Mm]arks?|p\b)`;
/** An amount of a text, and not one that its sentences speak of: in front of all else, between brackets, or at the very end. */
const said = (unit: string, alsoBare: boolean): readonly RegExp[] => [
  new RegExp(String.raw`^${AMOUNT}\s*${unit}(?=\s*(?:$|[:;,.–—-]|\p{Lu}))`, 'u'),
  new RegExp(String.raw`[([]\s*${AMOUNT}\s*${unit}${alsoBare ? '?' : ''}\s*[)\]]`, 'u'),
  new RegExp(String.raw`(?<=[\s:;,–—-])${AMOUNT}\s*${unit}$`, 'u'),
];
const POINTS = [...said(UNIT, true), new RegExp(String.raw`^${AMOUNT}\s*[:=–—-]\s+(?=\p{L})`, 'u')];
const SHARES = said('%', false);
const ALONE = new RegExp(String.raw`^(?:/|of\s+)?\s*${AMOUNT}\s*(?:%|${UNIT})?$`, 'u');

/** Columns that hold no level: what a criterion is worth, and what the marker writes. */
const WORTH =
  /^(?:(?:max(?:imum|\.)?|possible|total)\s+)?(?:points?|pts\.?|marks?|weight(?:ing)?|worth|value|out of|max\.?)(?:\s+(?:possible|available))?$/iu;
const WRITTEN = /^(?:(?:your|my)\s+)?(?:score|comments?|feedback|notes?|earned|awarded|mark given)$/iu;
const SUM = /^(?:(?:sub)?total|sum|overall)\b/iu;
/** A row about the replies: how many of them count says something of it. */
const REPLIES = /\b(?:repl(?:y|ies)|peers?|classmates?|interact\w*|responses? to)\b/iu;

const better = (found: RegExpExecArray): number =>
  Math.max(...[found[1], found[2]].flatMap((n) => (n === undefined ? [] : [Number(n.replace(',', '.'))])));

type Read = { points: number | null; share: number | null; rest: string };

/** The points that a text says it is worth, and what else it says. */
function pointsSaid(text: string): Read {
  const firstOf = (among: readonly RegExp[]) =>
    among.map((r) => r.exec(text)).find((found) => found !== null);
  const points = firstOf(POINTS);
  if (points) return { points: better(points), share: null, rest: without(text, points) };
  const share = firstOf(SHARES);
  return share
    ? { points: null, share: better(share), rest: without(text, share) }
    : { points: null, share: null, rest: text };
}

/** The same of the head of a column, which may be its points and nothing else. */
const headSaid = (text: string): Read => {
  const alone = /%/u.test(text) ? null : asNumber(text);
  return alone === null ? pointsSaid(text) : { points: alone, share: null, rest: '' };
};

const without = (text: string, found: RegExpExecArray) =>
  `${text.slice(0, found.index)} ${text.slice(found.index + found[0].length)}`
    .replace(/\s+/gu, ' ')
    .replace(/^[\s:;,.–—-]+|[\s:;,–—-]+$/gu, '');

const asNumber = (text: string): number | null => {
  const found = ALONE.exec(text.trim());
  return found ? better(found) : null;
};

const cellsOf = (table: Table): Cells =>
  table.content
    .map((row) =>
      row.content.map((cell) =>
        plainText({ type: 'doc', content: cell.content }).replace(/\s+/gu, ' ').trim(),
      ),
    )
    // A title over the whole table, and what is empty, are no rows of it.
    .filter((row) => new Set(row.filter(Boolean)).size > 1);

const turned = (cells: Cells): Cells =>
  Array.from({ length: Math.max(0, ...cells.map((row) => row.length)) }, (_, i) =>
    cells.map((row) => row[i] ?? ''),
  );

const isTold = (text: string) => (text.match(/\p{L}{2,}/gu) ?? []).length >= 2;

/** What each level of a row is worth: by its own cell, by the head of its column, or as a share of what the row is worth. */
function worthOf(cell: Read, head: Read, whole: number | null): number | null {
  if (cell.points !== null) return cell.points;
  const share = cell.share ?? head.share;
  if (share !== null && whole !== null) return Math.round(whole * share) / 100;
  return head.points;
}

const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** The rubric of a table whose columns are the levels; null where it is another table. */
function rubricOfCells(cells: Cells): Rubric | null {
  const [heads = [], ...rows] = cells;
  const written = heads.findIndex((h, i) => i > 0 && WORTH.test(h));
  const levels = heads.flatMap((h, i) =>
    i > 0 && h !== '' && !WORTH.test(h) && !WRITTEN.test(h) ? [i] : [],
  );
  if (levels.length < 2 || levels.length > MOST_LEVELS) return null;
  const read = rows
    .filter((row) => row[0] !== '' && !SUM.test(row[0] ?? ''))
    .map((row) => {
      const criterion = pointsSaid(row[0] ?? '');
      const whole =
        (written > 0 ? asNumber(row[written] ?? '') : null) ?? criterion.points ?? criterion.share;
      const steps = levels.map((i) => {
        const head = headSaid(heads[i] ?? '');
        const cell = pointsSaid(row[i] ?? '');
        return { title: head.rest || (heads[i] ?? ''), text: cell.rest, points: worthOf(cell, head, whole) };
      });
      return { title: criterion.rest, steps };
    });
  if (read.length === 0 || read.length > MOST_CRITERIA) return null;
  const all = read.flatMap((c) => c.steps);
  // Figures of measurements, or the days of a plan, are no levels.
  if (all.filter((s) => isTold(s.text)).length * 2 < all.length) return null;
  const fields: Record<string, string> = {};
  for (const [c, { title, steps }] of read.entries()) {
    const down = steps.every((s, i) => i === 0 || Number(s.points) < Number(steps[i - 1]?.points));
    const up = steps.every((s, i) => i === 0 || Number(s.points) > Number(steps[i - 1]?.points));
    if (steps.some((s) => s.points === null) || !(down || up)) return null;
    fields[fieldOf(c, 'title')] = cut(title, 120);
    if (REPLIES.test(title)) fields[fieldOf(c, 'checks')] = 'replies';
    for (const [l, step] of (up ? [...steps].reverse() : steps).entries()) {
      fields[levelFieldOf(c, l, 'title')] = cut(step.title, 60);
      fields[levelFieldOf(c, l, 'text')] = cut(step.text, 400);
      fields[levelFieldOf(c, l, 'points')] = String(step.points);
    }
  }
  const made = rubricOfForm(fields);
  return made.ok ? made.value : null;
}

function tablesIn(blocks: readonly BlockNode[]): Table[] {
  return blocks.flatMap((b) =>
    b.type === 'table' ? [b] : b.type === 'blockquote' ? tablesIn(b.content) : [],
  );
}

/**
 * The rubric that stands as a table in a prompt: a row for each criterion and a column for each level, or the other way about, with the
 * points of the levels in their heads, their cells, or as shares of what a criterion is worth. A table that says no points is none, for
 * whoever marks alone knows them. The best level comes first, wherever it stood.
 *
 * @returns the first such table; null where there is none
 * @example a table "Criteria | Full (4) | Part (2)" with a row for "Depth": one criterion of two levels, of 4 and 2 points
 */
export function rubricIn(doc: Doc): Rubric | null {
  for (const table of tablesIn(doc.content)) {
    const cells = cellsOf(table);
    const found = rubricOfCells(cells) ?? rubricOfCells(turned(cells));
    if (found) return found;
  }
  return null;
}
