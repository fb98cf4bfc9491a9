import type { BlockNode, Doc, Table } from '../document/nodes';
import { flatten } from '../document/flatten';
import { daysNamed, plainDays, type TermClock } from './term-dates';

/** A line of a syllabus, or a row of one of its tables with what stands over each column. */
type Entry = { cells: string[]; heads: string[] | null; level: number };
/** Something that a week of a syllabus says, and what stands over it. */
export type Piece = { text: string; head: string };
/** A week of a syllabus, or whatever else it counts by. */
export type Unit = {
  week: number | null;
  from: string | null;
  to: string | null;
  topic: string;
  /** Its lines, each one piece, and its rows. */
  rows: Piece[][];
  /** Its first line, as it stands there. */
  said: string;
};

const MOST_ENTRIES = 2_000;
/** A longer line or cell is read as far as this. */
const MOST_LETTERS = 1_500;
const NUMBERS =
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen'.split(
    ' ',
  );
const WEEK = new RegExp(
  `^\\W*(?:weeks?|wk\\.?|module|unit|lesson|session|woche|semaine|semana)\\s*(?:#|no\\.?\\s*)?(\\d{1,2}|${NUMBERS.join('|')})\\b(?!\\s*(?:hours?|points?|%))`,
  'iu',
);
/** A discussion that is counted by itself, where a syllabus has no weeks. */
const COUNTED = /^\W*(?:discussion(?: board| forum| post)?|forum(?: post)?|d\.?b\.?)\s*#?\s*\d{1,2}\b/iu;
const COUNTS = /^(?:week|wk|module|unit|lesson|session|#|no\.?$)/iu;
const DATES = /^(?:dates?|when|week of|days?|week begin\w*|begin\w*|starts?)\b/iu;
const DUE = /due|deadline/iu;
const TOPICS = /topic|theme|subject|title|content|focus|question/iu;
const HEAD_WORDS =
  /^(?:week|wk|module|unit|lesson|session|#|no\.?|dates?|when|day|topics?|theme|subject|readings?|discussion|forum|assignments?|activit\w+|tasks?|due|deadline|what|focus)/iu;

const linesIn = (content: BlockNode[]) =>
  flatten({ type: 'doc', content })
    .flatMap((l) => `${l.item ? `${l.item}. ` : ''}${l.text}`.split('\n'))
    .map((l) => l.replace(/\s+/gu, ' ').trim())
    .filter(Boolean);

/** Which of the first rows says what stands in each column; -1 where none does. */
const headRow = (rows: readonly { head: boolean; cells: string[] }[]) =>
  rows
    .slice(0, 3)
    .findIndex(
      ({ head, cells }) =>
        (head && cells.some((c) => HEAD_WORDS.test(c))) ||
        (cells.filter((c) => HEAD_WORDS.test(c)).length >= 2 && cells.every((c) => c.length <= 40)),
    );

function rowsOf(table: Table): Entry[] {
  const rows = table.content.map((row) => ({
    head: row.content.every((cell) => cell.type === 'tableHeader'),
    cells: row.content.map((cell) => linesIn(cell.content).join('\n')),
  }));
  const head = headRow(rows);
  const heads = rows[head]?.cells ?? null;
  return [
    ...rows.slice(0, Math.max(0, head)).map((r) => ({ cells: [r.cells.join(' ')], heads: null, level: 0 })),
    ...rows.slice(head + 1).map(({ cells }) => ({ cells, heads, level: 0 })),
  ];
}

/** The lines and rows of a document, its dates with the month first. */
function entriesOf(doc: Doc, clock: TermClock): Entry[] {
  return doc.content
    .flatMap((node): Entry[] =>
      node.type === 'table'
        ? rowsOf(node)
        : linesIn([node]).map((text) => ({
            cells: [text],
            heads: null,
            level: node.type === 'heading' ? node.attrs.level : 0,
          })),
    )
    .slice(0, MOST_ENTRIES)
    .map((e) => ({ ...e, cells: e.cells.map((c) => plainDays(c.slice(0, MOST_LETTERS), clock)) }));
}

const numberOf = (text: string) => NUMBERS.indexOf(text.toLowerCase()) + 1 || Number(text);

/** What is left of a line without its number, its days and what holds them. */
function without(text: string, clock: TermClock): string {
  const bare = text.replace(WEEK, '').replace(/^\d{1,2}\.\s+/u, '');
  const left = [...daysNamed(bare, clock)]
    .reverse()
    .reduce((t, d) => t.slice(0, d.start) + t.slice(d.end).replace(/^[,\s]*20\d\d\b/u, ''), bare)
    .replace(/\(\s*(?:[-–—,to\s]|of)*\s*\)/giu, ' ')
    .replace(/^[\s:.,;)(|–—-]+|[\s:,;(|–—-]+$/gu, '')
    .replace(/^(?:week )?of\s+/iu, '')
    .replace(/^(?:topics?|theme|title)\s*:\s*/iu, '')
    .replace(/\s+/gu, ' ')
    .trim();
  return /^(?:to|through|until|[-–—])?$/iu.test(left) ? '' : left;
}

/** The days a unit runs from and to: those beside its number. */
function span(texts: readonly string[], clock: TermClock): Pick<Unit, 'from' | 'to'> {
  const dates = texts.flatMap((t) => daysNamed(t, clock)).flatMap((d) => (d.date ? [d.date] : []));
  return { from: dates[0] ?? null, to: dates[1] ?? null };
}

/** A row that begins a unit: by its number, or by the day in one of its first cells. */
function unitOfRow({ cells, heads }: Entry, clock: TermClock): Unit | null {
  const under = (of: RegExp) => cells.findIndex((_, i) => of.test(heads?.[i]?.trim() ?? ''));
  const [counted, dated, topic] = [under(COUNTS), under(DATES), under(TOPICS)];
  const [first = '', second = ''] = cells;
  const number =
    WEEK.exec(cells[Math.max(0, counted)] ?? '')?.[1] ??
    (counted >= 0 ? /^\W*(\d{1,2})(?![\d/])/u.exec(cells[counted] ?? '')?.[1] : undefined);
  const lead = [
    ...new Set([
      cells[counted] ?? first,
      cells[dated] ?? (counted <= 0 && !DUE.test(heads?.[1] ?? '') ? second : ''),
    ]),
  ].filter((c) => c.length <= 80);
  const { from, to } = span(dated >= 0 ? [cells[dated] ?? '', ...lead] : lead, clock);
  if (number === undefined && from === null) return null;
  const others = cells.filter((c, i) => i !== counted && i !== dated && without(c, clock) !== '');
  const own = topic >= 0 ? (cells[topic] ?? '') : (others.find((c) => c.length <= 90) ?? '');
  return {
    week: number === undefined ? null : numberOf(number),
    from,
    to,
    topic: without(own.split('\n')[0] ?? '', clock) || without(cells[Math.max(0, counted)] ?? '', clock),
    rows: [
      cells.flatMap((text, i) =>
        i === counted || i === dated || !text ? [] : [{ text, head: heads?.[i] ?? '' }],
      ),
    ],
    said: cells.join(' | ').replace(/\n/gu, ' / '),
  };
}

/** "3 9/14–9/20 Estuaries": a row whose cells stand in one line. */
const NUMBERED_DAY =
  /^\W*(\d{1,2})[.)]?\s+(?=\d{1,2}\/\d{1,2}\b|(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\p{L}*\.?\s+\d)/iu;
/** "3. Polls (21 September)", where there are no weeks. */
const NUMBERED = /^(\d{1,2})\.\s+/u;
const startsWithDay = (text: string, clock: TermClock) => {
  const [first] = daysNamed(text, clock);
  return (
    first !== undefined && first.date !== null && first.start <= 2 && /\p{L}{3}/u.test(without(text, clock))
  );
};

/** A line that begins a unit: "Week 3 (Sept 14–20): …", or a discussion with its number where there are no weeks. */
function unitOfLine(text: string, clock: TermClock, weeks: boolean): Unit | null {
  const week =
    WEEK.exec(text) ??
    NUMBERED_DAY.exec(text) ??
    (weeks || DUE.test(text) || !daysNamed(text, clock).some((d) => d.date) ? null : NUMBERED.exec(text)) ??
    (startsWithDay(text, clock) ? [''] : null);
  const most = week?.[1] === undefined ? 300 : 160;
  const counted = week?.[1] ?? WEEK.exec(without(text, clock))?.[1];
  if (week && (text.length <= most || NUMBERED_DAY.test(text))) {
    const end = week[0]?.length ?? 0;
    return {
      week: counted === undefined ? null : numberOf(counted),
      ...span([text], clock),
      topic: without(text, clock),
      rows: [[{ text: text.slice(end), head: '' }]],
      said: text,
    };
  }
  if (!weeks && COUNTED.test(text) && text.length <= 300)
    return { week: null, from: null, to: null, topic: '', rows: [[{ text, head: '' }]], said: text };
  return null;
}

/**
 * The weeks of a syllabus with what each says, and what is said beside them, of all.
 * @example unitsOf(documentFromText('Week 1: Rivers'), clock).units // one, of the topic "Rivers"
 */
export function unitsOf(
  doc: Doc,
  clock: TermClock,
): { units: Unit[]; general: { text: string; level: number }[] } {
  const entries = entriesOf(doc, clock);
  const weeks = entries.some((e) => WEEK.test(e.cells[0] ?? '') || e.heads?.some((h) => COUNTS.test(h)));
  const units: Unit[] = [];
  const general: { text: string; level: number }[] = [];
  let open: { unit: Unit; level: number; row: boolean } | null = null;
  for (const entry of entries) {
    const row = entry.heads !== null || entry.cells.length > 1;
    const text = entry.cells.join(' ');
    const unit = row ? unitOfRow(entry, clock) : unitOfLine(text, clock, weeks);
    // Under "Module 1" the days it runs may have a line of their own.
    if (!unit && open?.unit.from === null && !row && without(text, clock) === '')
      Object.assign(open.unit, span([text], clock));
    else if (unit) {
      units.push(unit);
      open = { unit, level: entry.level, row };
    } else if (open && row && open.row)
      // A row without a number goes on with the one above.
      open.unit.rows.push(
        entry.cells.map((c, i) => ({ text: c, head: entry.heads?.[i] ?? '' })).filter((p) => p.text),
      );
    else if (
      open &&
      !open.row &&
      !row &&
      !(entry.level > 0 && (open.level === 0 || entry.level <= open.level))
    )
      open.unit.rows.push([{ text, head: '' }]);
    else {
      open = null;
      general.push({ text, level: entry.level });
    }
  }
  return { units, general };
}
