import type { Levels, Rubric } from '@/core/rubric/rubric';

/** What a text is marked by, and what its writer thought of it before sharing, as far as each is there. */
export type RubricSheet = { rubric: Rubric | null; estimate: Levels | null };
