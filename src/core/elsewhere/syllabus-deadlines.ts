import type { WallClock } from '../deadlines/wallclock';
import { momentSaid } from '../outside/dates';
import { sideNamed, sideSaid, type Side } from './discussion-words';
import type { Unit } from './syllabus-units';
import type { TermRow } from './term';
import { daysNamed, type Named, type TermClock } from './term-dates';

/** On which weekday and at what hour each is due, where that is said of every week. */
export type Habit = Record<Side, { weekday?: string; time?: string }>;

/** Which of the two a moment in a line is for, by the words before it and then by those after. */
const sideOf = (line: string, from: number, at: Named, until: number): Side | null =>
  sideSaid(line.slice(from, at.start)) ??
  sideNamed(/^\s*\(?[^.;]{0,40}/u.exec(line.slice(at.end, until))?.[0] ?? '');

const OPENS = /\b(?:from|runs|opens?)(?: on| from)?(?: the)?\s*$/iu;
const UP_TO = /(?:\bto|\bthrough|\buntil|[-–—])\s*$/iu;

type Due = { side: Side | null; date: string | null; weekday?: string; time?: string };

/** What the lines of a discussion say of its deadlines. */
function duesIn(lines: readonly string[], clock: TermClock): Due[] {
  return lines.flatMap((line) => {
    const all = daysNamed(line, clock);
    // "Runs from the 11th to the 17th" says when one can write, and not by when.
    const days = all.filter(
      (d, i) =>
        !OPENS.test(line.slice(0, d.start)) &&
        !(all[i - 1] && OPENS.test(line.slice(0, all[i - 1]?.start)) && UP_TO.test(line.slice(0, d.start))),
    );
    return days.map((day, i): Due => {
      const from = days[i - 1]?.end ?? 0;
      const until = days[i + 1]?.start ?? line.length;
      return { side: sideOf(line, from, day, until), date: day.date, weekday: day.weekday, time: day.time };
    });
  });
}

/** A deadline in full: its date, or the first such weekday from the day on which its week begins. */
function wallOf(
  due: Pick<Due, 'date' | 'weekday' | 'time'>,
  from: string | null,
  time: string | undefined,
): WallClock | null {
  const hour = due.time ?? time ?? '23:59';
  if (due.date) return `${due.date}T${hour}`;
  return due.weekday && from ? momentSaid({ weekday: due.weekday, time: hour }, `${from}T00:00`) : null;
}

/**
 * Both deadlines of a discussion, by its own lines, and what they leave open by what is said of every week.
 * @example deadlinesIn(['Post by Sept 10, replies by Sept 13'], { from: null }, { response: {}, replies: {} }, clock)
 */
export function deadlinesIn(
  lines: readonly string[],
  unit: Pick<Unit, 'from'>,
  habit: Habit,
  clock: TermClock,
): Pick<TermRow, 'responseDue' | 'repliesDue' | 'usual'> {
  const dues = duesIn(lines, clock).filter(
    (d) => d.date !== null || (d.weekday !== undefined && unit.from !== null),
  );
  const hour = duesIn(lines, clock).find((d) => d.time !== undefined)?.time;
  const own = (side: Side) => dues.find((d) => d.side === side);
  const open = dues.filter((d) => d.side === null);
  // The first moment of which nothing is said is the response's, the next the replies'.
  const said = {
    response: own('response') ?? open[0],
    replies: own('replies') ?? open[own('response') ? 0 : 1],
  };
  const usualDay = (side: Side, from: string | null) =>
    habit[side].weekday === undefined ? null : wallOf({ date: null, ...habit[side] }, from, undefined);
  const whole = (side: Side) => said[side] && wallOf(said[side], unit.from, habit[side].time ?? hour);
  const response = whole('response') ?? usualDay('response', unit.from);
  const after = response ? response.slice(0, 10) : unit.from;
  const replies = whole('replies') ?? usualDay('replies', after);
  const swapped = response !== null && replies !== null && replies < response;
  return {
    responseDue: swapped ? replies : response,
    repliesDue: swapped ? response : replies,
    usual: dues.length === 0 && (response !== null || replies !== null),
  };
}
