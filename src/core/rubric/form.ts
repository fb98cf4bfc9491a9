import { checkIdSchema } from '../brief/brief';
import { fail, ok, type Result } from '../result';
import { rubricSchema, type Criterion, type Rubric } from './rubric';

export const MOST_CRITERIA = 12;
export const MOST_LEVELS = 6;
/** Among a criterion's checks in its form: it is about the replies. */
const REPLIES = 'replies';

/** What is wrong with one criterion of a rubric's form, by its place in it. */
export type RubricProblem = {
  criterion: number;
  code: 'untitled' | 'few-levels' | 'no-points' | 'too-long';
};

/** The names of a form's fields. @example fieldOf(0, 'title') // 'c0.title' */
export const fieldOf = (criterion: number, part: 'title' | 'id' | 'checks') => `c${criterion}.${part}`;
/** @example levelFieldOf(0, 1, 'points') // 'c0.1.points' */
export const levelFieldOf = (criterion: number, level: number, part: 'title' | 'text' | 'points') =>
  `c${criterion}.${level}.${part}`;

/** A name for a criterion that none of those before it has. */
function freeId(wanted: string, title: string, taken: ReadonlySet<string>): string {
  const plain = title
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/gu, '-')
    .replace(/^[^a-z]+|-+$/gu, '')
    .slice(0, 24);
  const base = wanted || plain || 'criterion';
  let id = base;
  for (let n = 2; taken.has(id); n += 1) id = `${base.slice(0, 24)}-${n}`;
  return id;
}

/**
 * Reads a rubric out of the fields of its form: rows and levels that were left empty are none. Names every criterion that cannot be, and
 * drops nothing that somebody wrote.
 *
 * @example two titled criteria with two levels each: the rubric of both; a criterion with one level: `few-levels` at its place
 */
export function rubricOfForm(
  fields: Readonly<Record<string, string | undefined>>,
): Result<Rubric, { code: 'rubric'; problems: RubricProblem[] }> {
  const said = (name: string) => (fields[name] ?? '').replace(/\s+/gu, ' ').trim();
  const problems: RubricProblem[] = [];
  const criteria: Criterion[] = [];
  const taken = new Set<string>();
  for (let c = 0; c < MOST_CRITERIA; c += 1) {
    const title = said(fieldOf(c, 'title'));
    const levels = Array.from({ length: MOST_LEVELS }, (_, l) => ({
      title: said(levelFieldOf(c, l, 'title')),
      text: said(levelFieldOf(c, l, 'text')),
      points: said(levelFieldOf(c, l, 'points')).replace(',', '.'),
    })).filter((l) => l.title || l.text || l.points);
    if (!title && levels.length === 0) continue;
    const wrong = (code: RubricProblem['code']) => problems.push({ criterion: c, code });
    if (!title || levels.some((l) => !l.title)) wrong('untitled');
    else if (levels.length < 2) wrong('few-levels');
    else if (levels.some((l) => !/^\d{1,3}(\.\d{1,2})?$/u.test(l.points))) wrong('no-points');
    const id = freeId(said(fieldOf(c, 'id')), title, taken);
    taken.add(id);
    criteria.push({
      id,
      title,
      levels: levels.map((l) => ({ ...l, points: Number(l.points) })),
      checks: said(fieldOf(c, 'checks'))
        .split(' ')
        .flatMap((check) => checkIdSchema.safeParse(check).data ?? []),
      ...(said(fieldOf(c, 'checks')).split(' ').includes(REPLIES) ? { replies: true } : {}),
    });
    if (
      !problems.some((p) => p.criterion === c) &&
      !rubricSchema.safeParse({ criteria: criteria.slice(-1) }).success
    )
      wrong('too-long');
  }
  if (criteria.length === 0) problems.push({ criterion: 0, code: 'untitled' });
  return problems.length ? fail({ code: 'rubric', problems }) : ok({ criteria });
}

/** The fields that say a rubric: the way back. @example formOfRubric(rubric)['c0.title'] // its first criterion's title */
export function formOfRubric(rubric: Rubric): Record<string, string> {
  const fields: Record<string, string> = {};
  rubric.criteria.forEach((criterion, c) => {
    fields[fieldOf(c, 'id')] = criterion.id;
    fields[fieldOf(c, 'title')] = criterion.title;
    fields[fieldOf(c, 'checks')] = [...criterion.checks, ...(criterion.replies ? [REPLIES] : [])].join(' ');
    criterion.levels.forEach((level, l) => {
      fields[levelFieldOf(c, l, 'title')] = level.title;
      fields[levelFieldOf(c, l, 'text')] = level.text;
      fields[levelFieldOf(c, l, 'points')] = String(level.points);
    });
  });
  return fields;
}
