import type { Instant } from '@/core/ids';
import { instant } from '@/core/ids';
import { planOrSay } from '@/core/planning/cannot';
import { habitsSchema, nights } from '@/core/planning/habits';
import { paceOf, type Pace } from '@/core/planning/pace';
import { assignmentsOf, type Assignment } from '@/core/planning/tasks';
import { sumOfWork, type Work } from '@/core/planning/work';
import { readingMinutes } from '@/core/reading/minutes';
import type { Expected } from './discussions';
import type { Tables } from './tables';

const DAY_MS = 86_400_000;

export type ExpectedReading = { course: string; week: number; title: string; minutes: number; read: boolean };

export type ExpectedWork = {
  pace: Pace;
  readings: ExpectedReading[];
  /** Of discussions that are open now, as This week reckons. */
  open: Work;
  /** Of those that open within eight days too, as the plan does. */
  all: Work;
  sittings: { start: Instant; end: Instant }[];
  left: number;
};

/** How long a student's rest takes and when they sit down for it, from the rows alone. */
export function expectedWork(t: Tables, student: string, all: Expected[], now: Instant): ExpectedWork {
  const mine = <T extends { person_id: string }>(rows: T[]) => rows.filter((r) => r.person_id === student);
  const progress = new Map(mine(t.reading_progress).map((r) => [r.reading_id, r]));
  const pace = paceOf(
    mine(t.writing_spells)
      .filter((s) => s.writing_seconds + s.proofreading_seconds > 0)
      .sort((a, b) => b.ended_at - a.ended_at)
      .slice(0, 60)
      .map((s) => ({
        wordsAdded: s.words_added,
        writingSeconds: s.writing_seconds,
        proofreadingSeconds: s.proofreading_seconds,
      })),
    t.readings.flatMap((g) => {
      const at = progress.get(g.id);
      return at && at.read_at !== null && at.seconds > 0 ? [{ words: g.words, seconds: at.seconds }] : [];
    }),
  );
  const read = (id: string) => (progress.get(id)?.read_at ?? null) !== null;
  const assigned = (d: Expected): Assignment[] =>
    assignmentsOf(
      {
        ...d,
        wordsToRead: t.readings
          .filter((g) => g.course_id === d.course.id && g.week === d.week && !read(g.id))
          .reduce((sum, g) => sum + g.words, 0),
      },
      pace,
      now,
    );
  const tasks = all.filter((d) => d.schedule.opens <= now + 8 * DAY_MS).flatMap(assigned);
  const person = t.people.find((p) => p.id === student);
  const habits = habitsSchema.parse(mine(t.planning_habits)[0]?.habits ?? {});
  const calendars = new Set(mine(t.busy_calendars).map((c) => c.id));
  const horizon = instant(Math.max(now, ...tasks.map((a) => a.deadline)));
  const planned = planOrSay({
    now,
    tasks,
    busy: t.busy_times
      .filter((b) => calendars.has(b.calendar_id) && b.ends_at > now)
      .map((b) => ({ start: instant(b.starts_at), end: instant(b.ends_at), title: b.title })),
    nights: nights(habits, person?.time_zone ?? 'UTC', now, horizon),
    limits: { sittingMinutes: habits.sittingMinutes, breakMinutes: habits.breakMinutes },
  });
  return {
    pace,
    readings: t.readings
      .filter((g) => all.some((d) => d.course.id === g.course_id))
      .map((g) => ({
        course: g.course_id,
        week: g.week,
        title: g.title,
        minutes: readingMinutes(g.words, pace.reading.wordsPerMinute),
        read: read(g.id),
      })),
    open: sumOfWork(
      all
        .filter((d) => d.schedule.opens <= now)
        .flatMap(assigned)
        .map((a) => a.work),
    ),
    all: sumOfWork(tasks.map((a) => a.work)),
    sittings: planned.sittings.map(({ start, end }) => ({ start, end })),
    left: planned.left.length,
  };
}
