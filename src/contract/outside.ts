import type { Against, TermSaid } from '@/core/elsewhere/term';
import type { FieldProblem, Field } from '@/core/outside/fields';

/** The discussions of a term that a plan names, row by row. */
export type TermPage = {
  id: string;
  source: string;
  whole: string;
  term: TermSaid;
  against: Against[];
  problems: FieldProblem[][];
  /** What every one of them asks, that can be put right for all at once. */
  rules: { field: Field; value: string }[];
  /** Names of the student's own courses. */
  courses: string[];
  zones: string[];
  /** A course of that name that is held here, where the plan cannot go. */
  hosted: string | null;
  /** It comes out of a calendar that is followed. */
  calendar: boolean;
};
