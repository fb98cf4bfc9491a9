import type { ReleasedMark } from '@/contract/marks';
import type { Rubric } from '@/core/rubric/rubric';
import { schemeOf, scoreOf } from '@/core/marks/mark';
import type { Given } from '@/core/marks/release';
import type { DiscussionRecord } from '@/db/queries/discussions';
import type { ReleasedRecord } from '@/db/queries/marks';

type Marked = { rubric: Rubric | null; points: DiscussionRecord['brief']['points'] };

/** A released mark with what it was made of: as it was then, or, where that was not kept yet, as it would be now. */
export const givenBy = (record: ReleasedRecord, { rubric, points }: Marked): Given => ({
  mark: record.mark,
  scheme: record.scheme ?? schemeOf({ way: null, rubric, points }),
  late: record.late,
});

/** A mark as its student sees it. */
export function releasedView(record: ReleasedRecord, marked: Marked): ReleasedMark {
  const given = givenBy(record, marked);
  return {
    ...given,
    score: scoreOf(given.scheme, given.mark, given.late),
    marker: record.marker,
    releasedAt: record.releasedAt,
    was: record.was,
    isNew: !record.seen,
  };
}
