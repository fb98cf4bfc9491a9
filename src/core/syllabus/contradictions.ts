import type { LateRule } from '../deadlines/late';
import { weekdayOf, type WallClock } from '../deadlines/wallclock';
import type { Habit, Syllabus } from './syllabus';

/** A place where a discussion says other than its course's syllabus. The discussion's own word is what is applied. */
export type Contradiction =
  | { code: 'late-rule'; syllabus: LateRule; discussion: LateRule }
  | { code: 'response-deadline' | 'replies-deadline'; syllabus: Habit; discussion: Habit };

/** A syllabus that does not agree with itself. */
export type Inconsistency = { code: 'weights-sum'; sum: number } | { code: 'scale-order'; grade: string };

/**
 * The weekday and time of a deadline, as a syllabus speaks of it.
 * @example habitOf('2026-10-15T23:59') // { weekday: 4, time: '23:59' }
 */
export const habitOf = (wall: WallClock): Habit => ({ weekday: weekdayOf(wall), time: wall.slice(11, 16) });
const sameHabit = (a: Habit, b: Habit) => a.weekday === b.weekday && a.time === b.time;

/**
 * Whether two late rules do the same to every post: a penalty of nothing is acceptance, a field left out is its default.
 * @example a penalty of 0 % and acceptance for as many days: true
 */
export function sameLateRule(a: LateRule, b: LateRule): boolean {
  // What is not said contradicts nothing.
  if ((a.rule === 'accepted' && a.unsaid) || (b.rule === 'accepted' && b.unsaid)) return true;
  const days = (r: LateRule) => (r.rule === 'refused' ? 0 : r.days);
  if (days(a) !== days(b)) return false;
  const loss = (r: LateRule, day: number) =>
    r.rule === 'penalty' ? Math.min(r.percentPerDay * day, 100 - r.floorPercent) : 0;
  return Array.from({ length: days(a) }, (_, i) => i + 1).every((d) => loss(a, d) === loss(b, d));
}

/**
 * Where a discussion contradicts the syllabus: its late rule, and the weekday and time of its deadlines. An extension
 * is a student's own matter and is not looked at.
 *
 * @example a syllabus says "no late work" and a discussion takes it for two days: one `late-rule`
 */
export function contradictions(
  syllabus: Syllabus,
  discussion: { late: LateRule; responseDue: WallClock; repliesDue: WallClock; replyCount: number },
): Contradiction[] {
  const found: Contradiction[] = [];
  if (!sameLateRule(syllabus.late, discussion.late)) {
    found.push({ code: 'late-rule', syllabus: syllabus.late, discussion: discussion.late });
  }
  const response = habitOf(discussion.responseDue);
  if (!sameHabit(syllabus.habits.response, response)) {
    found.push({ code: 'response-deadline', syllabus: syllabus.habits.response, discussion: response });
  }
  const replies = habitOf(discussion.repliesDue);
  if (discussion.replyCount > 0 && !sameHabit(syllabus.habits.replies, replies)) {
    found.push({ code: 'replies-deadline', syllabus: syllabus.habits.replies, discussion: replies });
  }
  return found;
}

/**
 * Where a syllabus contradicts itself: weights that are not 100 % together, a scale out of order.
 * @example weights of 60 and 30 % give `{ code: 'weights-sum', sum: 90 }`
 */
export function inconsistencies(syllabus: Syllabus): Inconsistency[] {
  const sum = syllabus.weights.reduce((s, w) => s + w.percent, 0);
  const misplaced = syllabus.scale.find(
    (step, i) => i > 0 && step.from >= (syllabus.scale[i - 1]?.from ?? 101),
  );
  return [
    ...(Math.abs(sum - 100) > 0.001 ? [{ code: 'weights-sum' as const, sum }] : []),
    ...(misplaced ? [{ code: 'scale-order' as const, grade: misplaced.grade }] : []),
  ];
}
