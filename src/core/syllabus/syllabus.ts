import { z } from 'zod';
import { lateRuleSchema } from '../deadlines/late';

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/u);
/** 1 is Monday, 7 is Sunday (ISO 8601). */
const weekday = z.number().int().min(1).max(7);
const habit = z.strictObject({ weekday, time: clock });

/**
 * A course's syllabus as far as Pulpit can read it: what the course says of itself once, and what each discussion is
 * then compared with. Times are wall-clock times of the course's zone.
 */
export const syllabusSchema = z.strictObject({
  late: lateRuleSchema,
  /** When responses and replies are usually due. */
  habits: z.strictObject({ response: habit, replies: habit }),
  /** From this share of the full mark on, in percent, the best first. */
  scale: z
    .array(z.strictObject({ grade: z.string().min(1).max(40), from: z.number().min(0).max(100) }))
    .min(1),
  weights: z
    .array(z.strictObject({ what: z.string().min(1).max(80), percent: z.number().min(0).max(100) }))
    .min(1),
  contact: z.strictObject({ name: z.string().min(1), email: z.email(), answers: z.string().max(200) }),
  officeHours: z.array(
    z.strictObject({ weekday, from: clock, to: clock, place: z.string().min(1).max(120) }),
  ),
  /** Further paragraphs, as plain text. */
  notes: z.string().max(10_000).default(''),
});
export type Syllabus = z.infer<typeof syllabusSchema>;
export type Habit = z.infer<typeof habit>;
