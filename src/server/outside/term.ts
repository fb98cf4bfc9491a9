import { typedWall } from '@/core/deadlines/typed';
import type { TermPage } from '@/contract/outside';
import { LONGEST, type Field } from '@/core/outside/fields';
import { rowsAgainst, termProblems, type TermSaid } from '@/core/elsewhere/term';
import { courseSlug } from '@/core/ids';
import { courseNamed, typedName } from '@/core/outside/course-name';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { coursesOf } from '@/db/queries/courses';
import { standingRows, updateTerm } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { zones } from './brief-page';
import { openIntake } from './take-in';
import type { SaidOfBlocks } from './found';

/** What of a brief is asked in every discussion of a term, and can be put right for all of them at once. */
const TERM_RULES = [
  'response.words.min',
  'response.sources.min',
  'replies.count',
  'replies.words.min',
] as const satisfies readonly Field[];

/** The rows of a term against what stands in the course of that name; in all of one's own where it names none. */
export async function againstNow(db: Db, actor: Actor, term: Pick<TermSaid, 'course' | 'rows'>) {
  const standing = await standingRows(db, actor.id);
  const course = courseSlug(courseNamed(term.course).code);
  return rowsAgainst(
    term.rows,
    standing.filter((s) => term.course === '' || courseSlug(s.course) === course),
  );
}

/** The discussions of a term that a plan names, to be looked through. */
export async function termPage(deps: Deps, actor: Actor, id: string): Promise<Result<TermPage, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  const { term, source, whole, calendar } = intake.value;
  if (!term) return fail({ code: 'not-found' });
  const all = await coursesOf(deps.db, actor.id);
  const named = courseSlug(courseNamed(term.course).code);
  const outside = all.filter((c) => c.outside);
  return ok({
    id,
    source,
    whole,
    term,
    against: await againstNow(deps.db, actor, term),
    problems: termProblems(term),
    courses: outside.map(typedName),
    zones: zones(term.zone),
    rules: TERM_RULES.map((field) => ({ field, value: term.rules[field] ?? '' })),
    hosted: all.find((c) => !c.outside && courseSlug(c.code) === named)?.code ?? null,
    calendar: calendar !== null,
  });
}

/** A term as a form says it is; what it does not say stays. */
function asSaid(term: TermSaid, said: SaidOfBlocks): TermSaid {
  const rules = { ...term.rules };
  for (const field of TERM_RULES) {
    const value = said.get(`rule-${field}`);
    if (value !== null) rules[field] = value.trim();
  }
  return {
    ...term,
    course: (said.get('course') ?? term.course).trim().slice(0, LONGEST.course),
    zone: (said.get('zone') ?? term.zone).trim().slice(0, 60),
    rules,
    rows: term.rows.map((row, i) => {
      const title = said.get(`title-${i}`);
      if (title === null) return row;
      const wall = (name: string) => typedWall(said.get(`${name}-${i}`) ?? '').slice(0, 16) || null;
      const week = (said.get(`week-${i}`) ?? '').trim();
      return {
        ...row,
        take: said.get(`take-${i}`) !== null,
        title: title.trim().slice(0, LONGEST.title),
        week: /^\d{1,2}$/u.test(week) ? Number(week) : null,
        responseDue: wall('response'),
        repliesDue: wall('replies'),
      };
    }),
  };
}

/** Keeps what somebody says of a term's rows. */
export async function sayOfTerm(
  deps: Deps,
  actor: Actor,
  id: string,
  said: SaidOfBlocks,
): Promise<Result<null, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  if (!intake.value.term) return fail({ code: 'not-found' });
  await updateTerm(deps.db, actor.id, id, asSaid(intake.value.term, said));
  return ok(null);
}
