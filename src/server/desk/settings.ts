import { z } from 'zod';
import type { SettingsPage } from '@/contract/desk';
import { habitsSchema, type Habit, type Habits } from '@/core/desk/habits';
import { holidaysOf, holidaysText } from '@/core/desk/holidays';
import { fail, ok, type Result } from '@/core/result';
import { questionRulesSchema } from '@/contract/questions';
import { changeCourse, habitsOf, holidaysIn } from '@/db/queries/course-settings';
import { putQuestionRules, questionRules } from '@/db/queries/question-rules';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from './enter';
import { line } from './fields';

const NO_HABITS: Habits = { response: null, replies: null, late: null, points: null };

/** What a course is called, and what every new discussion of it begins with. */
export async function settingsPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<SettingsPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const { id } = door.value;
  return ok({
    course: door.value,
    habits: (await habitsOf(deps.db, id)) ?? NO_HABITS,
    holidays: holidaysText(await holidaysIn(deps.db, id)),
    questions: await questionRules(deps.db, id),
  });
}

const small = (most: number) => z.literal('').or(z.coerce.number().int().min(0).max(most)).default('');

/** The form as it is sent; an empty field says nothing. */
export const settingsSchema = z
  .object({
    title: line(1, 200),
    term: line(0, 60).default(''),
    responseDay: small(7),
    responseTime: z.string().max(10).default(''),
    repliesDay: small(7),
    repliesTime: z.string().max(10).default(''),
    late: z.enum(['', 'refused', 'accepted', 'penalty']).default(''),
    lateDays: small(60),
    latePercent: small(100),
    points: small(10_000),
    holidays: z.string().max(4_000).default(''),
    ...questionRulesSchema.shape,
  })
  .transform((said, context) => {
    const habit = (day: number | '', time: string): Habit | null =>
      day === '' || day === 0 ? null : { day, time: time.trim().replace(/^(\d):/u, '0$1:') || '23:59' };
    const days = said.lateDays || 7;
    const late = {
      '': null,
      refused: { rule: 'refused' },
      accepted: { rule: 'accepted', days },
      penalty: { rule: 'penalty', days, percentPerDay: said.latePercent || 0, floorPercent: 0 },
    }[said.late];
    const habits = habitsSchema.safeParse({
      response: habit(said.responseDay, said.responseTime),
      replies: habit(said.repliesDay, said.repliesTime),
      late,
      points: said.points || null,
    });
    const holidays = holidaysOf(said.holidays.replace(/\r\n?/gu, '\n'));
    if (habits.success && holidays.ok)
      return {
        title: said.title,
        term: said.term,
        habits: habits.data,
        holidays: holidays.value,
        questions: { coverFromStaff: said.coverFromStaff, hours: said.hours, corner: said.corner },
      };
    context.addIssue({ code: 'custom', message: holidays.ok ? 'habits' : 'holidays' });
    return z.NEVER;
  });

/** Says them anew. Discussions that are there stay as they are. */
export async function changeSettings(
  deps: Deps,
  actor: Actor,
  slug: string,
  said: z.output<typeof settingsSchema>,
): Promise<Result<null, NotFound | { code: 'term-taken' }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const { id } = door.value;
  return deps.db.transaction(async (tx) => {
    if (!(await changeCourse(tx, id, said))) return fail({ code: 'term-taken' as const });
    await putQuestionRules(tx, id, said.questions);
    return ok(null);
  });
}
