import { z } from 'zod';
import { CHOSEN_KINDS, WAYS, choiceFor, type ChosenKind, type NoticeKind, type Way } from './kinds';

/** A time of the day by the wall clock, `HH:MM`. */
export const timeOfDay = z.string().regex(/^(?:[01]\d|2[0-3]):[0-5]\d$/u);

const MOST_GATHERED = 6;
const MOST_REMINDERS = 5;
/** Reminders stand between a quarter of an hour and a fortnight before a deadline. */
const NEAREST = 15;
const FURTHEST = 14 * 24 * 60;

const way = z.enum(WAYS);
const inOrder = <T extends string | number>(all: readonly T[], less: (a: T, b: T) => number) =>
  [...new Set(all)].sort(less);

/**
 * How notices reach somebody. Times are of their own zone's clock. At least one day of the week is not quiet, or nothing would ever be sent.
 */
export const rulesSchema = z.object({
  ways: z.object(Object.fromEntries(CHOSEN_KINDS.map((k) => [k, way])) as Record<ChosenKind, typeof way>),
  gatheredAt: z
    .array(timeOfDay)
    .min(1)
    .max(MOST_GATHERED)
    .transform((all) => inOrder(all, (a, b) => (a < b ? -1 : 1))),
  dailyAt: timeOfDay,
  /** Nothing is sent from one time to another, over midnight where the second is earlier; null for never. */
  quiet: z
    .object({ from: timeOfDay, to: timeOfDay })
    .refine((q) => q.from !== q.to)
    .nullable(),
  /** Weekdays on which nothing is sent, 1 for Monday to 7 for Sunday. */
  quietDays: z
    .array(z.number().int().min(1).max(7))
    .transform((all) => inOrder(all, (a, b) => a - b))
    .refine((all) => all.length < 7),
  /** How many minutes before a deadline somebody wants to be reminded, while something is owed. */
  before: z
    .array(z.number().int().min(NEAREST).max(FURTHEST))
    .max(MOST_REMINDERS)
    .transform((all) => inOrder(all, (a, b) => b - a)),
});
export type NoticeRules = z.output<typeof rulesSchema>;

/** What holds for whoever has chosen nothing. */
export const USUAL_RULES: NoticeRules = {
  ways: {
    reply: 'once',
    name: 'once',
    answer: 'once',
    mark: 'once',
    change: 'once',
    post: 'gathered',
    desk: 'once',
  },
  gatheredAt: ['08:00', '13:00', '18:00'],
  dailyAt: '18:00',
  quiet: { from: '22:00', to: '07:00' },
  quietDays: [],
  before: [3 * 24 * 60, 5 * 60],
};

/**
 * The same rules with as few mails as there can be: all that is mailed, in one mail a day.
 *
 * @example onceADay(USUAL_RULES).ways.reply // 'daily'
 */
export const onceADay = <R extends Pick<NoticeRules, 'ways'>>(rules: R): R => ({
  ...rules,
  ways: Object.fromEntries(
    CHOSEN_KINDS.map((kind) => [kind, rules.ways[kind] === 'here' ? 'here' : 'daily']),
  ) as NoticeRules['ways'],
});

/**
 * The way a notice goes: by the rule, or for new posts by what was chosen for the thread, else for the discussion. Announcements and reminders go
 * at once whatever is chosen.
 *
 * @param chosen what was chosen for the place, the nearest first; null where nothing was
 * @example wayOf('post', USUAL_RULES, [null, 'once']) // 'once': of the discussion
 */
export function wayOf(kind: NoticeKind, rules: NoticeRules, chosen: readonly (Way | null)[] = []): Way {
  const choice = choiceFor(kind);
  if (choice === null) return kind === 'mail' || kind === 'draft' ? 'here' : 'once';
  const here = kind === 'post' ? chosen.find((w) => w !== null) : undefined;
  return here ?? rules.ways[choice];
}
