import { namesDiscussion, namesOther, speaksOfPosts } from './discussion-words';
import { deadlinesIn, type Habit } from './syllabus-deadlines';
import type { Piece, Unit } from './syllabus-units';
import type { TermRow } from './term';
import { daysNamed, type TermClock } from './term-dates';

const DUE = /due|deadline/iu;
const NONE = /^\W*(?:none|no\b.*|n\/?a|tba|tbd)?\W*$/iu;
const DISCUSSION_COLUMN = /discuss|forum|\bboard\b/iu;
const LABEL =
  /^\W*(?:week \d+ )?(?:online |class )?(?:discussion(?: (?:board|forum|post|question|topic|thread))?|forum(?: post)?|d\.?b\.?|initial post|introduc\w+ (?:post|forum|discussion))\s*(?:#|no\.?)?\s*(\d{1,2}(?:\.\d)?)?(?:\s+(?:initial|first|original) posts?| posts?)?\s*(?:[:.–—-]\s*|(?=\()|$)/iu;
const CUT =
  /\s*[,;:.([–—-]*\s*\b(?:due\b|deadline|(?:initial|first|original) posts?\b|posts? (?:due|by|on|before|until)\b|repl(?:y|ies)\b(?: (?:due|by|on|to)\b)?|respond to|by (?=(?:mon|tue|wed|thu|fri|sat|sun)|\d)).*$/isu;
const MOST_TITLE = 160;

/** What a line calls its discussion; empty where it only says that there is one. */
function titleIn(line: string): string {
  const quoted = /[“"«]([^”"»]{4,140})[”"»]/u.exec(line)?.[1];
  if (quoted) return quoted.trim().replace(/[,.]$/u, '');
  const label = LABEL.exec(line);
  const after = label ? line.slice(label[0].length) : '';
  const rest = (/^\(([^()]{4,140})\)/u.exec(after)?.[1] ?? after).replace(CUT, '');
  const bare = rest.replace(/^[\s:.,–—-]+|[\s:,;(–—-]+$/gu, '').trim();
  if (/\p{L}{3}/u.test(bare) && !BY_COUNT.test(bare)) return bare.slice(0, MOST_TITLE);
  if (label) return '';
  // "Introduce yourself in the forum" is called by what is done there.
  const there = line.replace(CUT, '').replace(THERE, '').trim();
  return namesDiscussion(there) || !/\p{L}{3,}\s+\p{L}/u.test(there) ? '' : there.slice(0, MOST_TITLE);
}
const BY_COUNT = /^(?:one|two|three|four|\d+|your|all|the|a)$/iu;
const THERE =
  /\s+(?:in|on|to|at) (?:the|our|this) (?:course |class |online |weekly )?(?:discussion|forum|board).*$/iu;
const numberIn = (line: string) => LABEL.exec(line)?.[1] ?? null;

const cleaned = (line: string, clock: TermClock) => {
  const [first] = daysNamed(line, clock);
  const asked = line.indexOf('?');
  // A title ends where its days begin, and a question may name one: "Should shops open on Sunday?"
  if (first && first.date === null && asked >= first.end && !/\bdue\b|\bby\b/iu.test(line.slice(0, asked)))
    return line.slice(0, asked + 1);
  return first && first.start > 8 ? line.slice(0, first.start).replace(/[\s,;(–—-]+$/u, '') : line;
};

type Talk = { title: string; number: string | null; lines: string[] };

/** The discussions among the lines and rows of a week. */
function talksIn(unit: Unit, clock: TermClock): Talk[] {
  const talks: Talk[] = [];
  const open = (line: string, title: string) => talks.push({ title, number: numberIn(line), lines: [line] });
  /** Whether a line goes on with what the last one named. */
  const goesOn = (line: string, last: Talk) =>
    titleIn(cleaned(line, clock)) === '' && (numberIn(line) ?? last.number) === last.number;
  for (const row of unit.rows) {
    const before = talks.length;
    let heard: string | null = null;
    let headed: string | null = null;
    const dues: string[] = [];
    for (const { text, head } of row) {
      const own = DISCUSSION_COLUMN.test(head);
      const role = /post|repl|respon/iu.test(head) && !own;
      text
        .split(/\n|;\s+|\s+[•·]\s+/u)
        .map((l) => l.trim())
        .forEach((line, i) => {
          const last = talks.at(-1);
          const named = namesDiscussion(line);
          if (NONE.test(line)) return;
          if (own && i === 0 && daysNamed(head, clock).length > 0) headed = head;
          if (DUE.test(head) || role) dues.push(role ? `${head}: ${line}` : line);
          else if (own && (i === 0 || numberIn(line) !== null))
            open(
              line,
              titleIn(cleaned(line, clock)) ||
                (LABEL.test(line) ? '' : cleaned(line, clock).replace(CUT, '')),
            );
          else if (named && !(last && goesOn(line, last))) open(line, titleIn(cleaned(line, clock)));
          else if (last && (named ? !namesOther(line) : speaksOfPosts(line))) last.lines.push(line);
          else return;
          if (!DUE.test(head) && !role) heard = line;
        });
    }
    if (headed !== null && talks.length > before) talks.at(-1)?.lines.push(headed);
    // A due column speaks of what its row names; of one that names nothing only where it says itself that it is a post.
    for (const line of dues) {
      const last = talks.at(-1);
      const says = speaksOfPosts(line) || (namesDiscussion(line) && !namesOther(line));
      const days = daysNamed(line, clock).filter((d) => d.date !== null || d.weekday !== undefined);
      if (heard !== null && last) last.lines.push(days.length === 1 && !says ? `${heard} ${line}` : line);
      else if (says && (last === undefined || before === talks.length))
        open(line, titleIn(cleaned(line, clock)));
      else if (says && last) last.lines.push(line);
    }
  }
  return talks;
}

/**
 * The discussions of a week of a syllabus. `all` says that every week has one, also where it does not name it.
 * @example rowsOfUnit(unit, habit, clock, false) // none of a week that names none
 */
export function rowsOfUnit(unit: Unit, habit: Habit, clock: TermClock, all: boolean): TermRow[] {
  const talks = talksIn(unit, clock);
  const some = talks.length || !all ? talks : [{ title: '', number: null, lines: [] }];
  return some.map(({ title, number, lines }) => {
    const name = number && !title ? `Discussion ${number}` : title;
    const named = name || unit.topic || (unit.week === null ? 'Discussion' : `Week ${unit.week} discussion`);
    return {
      title: (number && !title && unit.topic ? `${named}: ${unit.topic}` : named).slice(0, MOST_TITLE),
      week: unit.week,
      ...deadlinesIn(
        lines.map((l) => (title ? l.replace(title, '') : l)),
        unit,
        habit,
        clock,
      ),
      said: [unit.said, ...lines.filter((l) => !unit.said.includes(l))].join('\n').slice(0, 600),
    };
  });
}

/**
 * Whether a week says of itself that it has no work.
 * @example isFree({ week: 4, from: null, to: null, topic: 'Break', rows: [], said: '' }) // true
 */
export const isFree = (unit: Unit) =>
  unit.rows.flat().length <= 3 &&
  /\b(?:no class(?:es)?|break|recess|holiday|no discussion|reading week|exam week|finals?)\b/iu.test(
    [unit.topic, ...unit.rows.flat().map((p: Piece) => p.text)].join(' '),
  );
