import { z } from 'zod';
import { checkIdSchema } from '../brief/brief';

/** One step of a criterion, the best first; its points are what it earns. */
const levelSchema = z.strictObject({
  title: z.string().min(1).max(60),
  text: z.string().max(400).default(''),
  points: z.number().min(0).max(1_000),
});

const criterionSchema = z.strictObject({
  id: z.string().regex(/^[a-z][a-z0-9-]{0,30}$/u),
  title: z.string().min(1).max(120),
  levels: z.array(levelSchema).min(2).max(6),
  /** Checks whose result says something about this criterion. */
  checks: z.array(checkIdSchema).default([]),
  /** It is about the replies: how many of them count says something about it. */
  replies: z.boolean().optional(),
});

/** What a response is marked by: criteria, each with its levels and their points. */
export const rubricSchema = z.strictObject({ criteria: z.array(criterionSchema).min(1).max(12) });
export type Rubric = z.infer<typeof rubricSchema>;
export type Criterion = Rubric['criteria'][number];

/** A level chosen for some criteria: the index into the criterion's levels, by the criterion's id. */
export type Levels = Record<string, number>;

/**
 * The levels out of an unknown value, as far as they are levels of this rubric.
 * @example levelsOf(rubric, { depth: '1', depths: '1' }) // { depth: 1 }
 */
export function levelsOf(rubric: Rubric, value: Record<string, unknown>): Levels {
  const chosen: Levels = {};
  for (const { id, levels } of rubric.criteria) {
    const n = Number(value[id] ?? NaN);
    if (Number.isInteger(n) && n >= 0 && n < levels.length && value[id] !== '') chosen[id] = n;
  }
  return chosen;
}

const best = (c: Criterion) => Math.max(...c.levels.map((l) => l.points));

/**
 * The points of chosen levels; `of` is what the whole rubric is worth, and `open` counts criteria without a level.
 * @example pointsOf(rubric, {}) // { points: 0, of: all its points, open: all its criteria }
 */
export function pointsOf(rubric: Rubric, levels: Levels): { points: number; of: number; open: number } {
  let points = 0;
  let open = 0;
  for (const c of rubric.criteria) {
    const level = c.levels[levels[c.id] ?? -1];
    if (level) points += level.points;
    else open += 1;
  }
  return { points, of: rubric.criteria.reduce((n, c) => n + best(c), 0), open };
}
