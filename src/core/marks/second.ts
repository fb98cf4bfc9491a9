import { fitted, scoreOf, type Mark, type Scheme } from './mark';

/** Where two readings of one part differ: in a criterion, or in what the mark is. */
export type Difference =
  | { code: 'criterion'; id: string; title: string; first: string | null; second: string | null }
  | { code: 'points'; first: number | null; second: number | null }
  | { code: 'verdict'; first: Mark['verdict']; second: Mark['verdict'] };

/**
 * Where two marks of one part differ. Of a rubric its levels are compared, and the points only where one of them overrides these.
 * @example two rubric marks with another level in one criterion: [{ code: 'criterion', title: 'Ideas', first: 'many', second: 'few', … }]
 */
export function differencesOf(scheme: Scheme, first: Mark, second: Mark): Difference[] {
  if (scheme.by === 'remarks') return [];
  if (scheme.by === 'verdict')
    return first.verdict === second.verdict
      ? []
      : [{ code: 'verdict', first: first.verdict, second: second.verdict }];
  const own = (mark: Mark) => mark.override?.points ?? (scheme.by === 'points' ? mark.points : null);
  const points: Difference[] =
    own(first) === own(second) ? [] : [{ code: 'points', first: own(first), second: own(second) }];
  if (scheme.by === 'points') return points;
  const [a, b] = [fitted(scheme, first.levels), fitted(scheme, second.levels)];
  return [
    ...scheme.rubric.criteria.flatMap((c): Difference[] =>
      a[c.id] === b[c.id]
        ? []
        : [
            {
              code: 'criterion',
              id: c.id,
              title: c.title,
              first: c.levels[a[c.id] ?? -1]?.title ?? null,
              second: c.levels[b[c.id] ?? -1]?.title ?? null,
            },
          ],
    ),
    ...points,
  ];
}

/** A second reading beside the mark it is of. */
export type SecondReading = {
  mark: Mark | null;
  revision: number;
  /** The keepings of mark and second reading it was settled on. */
  settled: { first: number; second: number } | null;
};

/**
 * Whether the reader of a second reading has still to write it in full. Until then nothing of the mark it is compared with is theirs to
 * see, or to write on.
 * @example nothing written yet: true
 */
export const isUnread = (scheme: Scheme, second: Pick<SecondReading, 'mark'>): boolean =>
  second.mark === null || scoreOf(scheme, second.mark, null).open > 0;

/** How far a second reading is. Only one that agrees or is settled lets its mark be released. */
export type SecondStage = 'asked' | 'differs' | 'agrees' | 'settled';

/**
 * How far a second reading is: asked for until both are written in full. Settled is what somebody looked at: where either is written on
 * after that, it is compared anew.
 *
 * @example two whole marks with another level in one criterion, nothing settled: 'differs'
 */
export function stageOf(
  scheme: Scheme,
  first: { mark: Mark; revision: number },
  second: SecondReading,
): SecondStage {
  if (!second.mark || isUnread(scheme, second) || scoreOf(scheme, first.mark, null).open > 0) return 'asked';
  if (differencesOf(scheme, first.mark, second.mark).length === 0) return 'agrees';
  const { settled } = second;
  return settled && settled.first === first.revision && settled.second === second.revision
    ? 'settled'
    : 'differs';
}
