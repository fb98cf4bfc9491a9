import type { Contradiction, Inconsistency } from '@/core/syllabus/contradictions';
import type { Habit } from '@/core/syllabus/syllabus';
import { lateText } from './deadlines';
import { shownTime } from './time';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** "Thursday 23:59" */
export const habitText = (habit: Habit) => `${DAYS[habit.weekday - 1]} ${shownTime(habit.time)}`;
export const weekdayName = (weekday: number) => DAYS[weekday - 1] ?? '';

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** What the discussion says, what the syllabus says, and which of the two is applied. */
export function contradictionText(c: Contradiction): string {
  switch (c.code) {
    case 'late-rule':
      return `Late work: here it is ${lower(lateText(c.discussion))}; the syllabus says “${lateText(c.syllabus)}”.`;
    case 'response-deadline':
      return `Responses are due ${habitText(c.discussion)} here; the syllabus says ${habitText(c.syllabus)}.`;
    case 'replies-deadline':
      return `Replies are due ${habitText(c.discussion)} here; the syllabus says ${habitText(c.syllabus)}.`;
  }
}

export function inconsistencyText(i: Inconsistency): string {
  return i.code === 'weights-sum'
    ? `The weights add up to ${i.sum} %, not to 100 %.`
    : `The marking scale is out of order at “${i.grade}”.`;
}

export const WHICH_COUNTS =
  'What the discussion itself says is what Pulpit applies. If you are unsure, ask your instructor.';
