import type { Knex } from 'knex';

type Levels = Record<string, number>;
type Row = {
  slug: string;
  person_id: string;
  levels: Levels;
  points: number | null;
  verdict: string | null;
  rubric: { criteria: { id: string; levels: { points: number }[] }[] } | null;
  marked_by: string | null;
  brief: { points?: number };
  /** What the late rule took of the full mark when it was released, in percent, and its floor. */
  late: { percent: number; floorPercent: number } | null;
};

/** The marks that were released and those that are written, as the rows have them. */
export type MarkRows = { released: Row[]; written: { slug: string; person_id: string }[] };

export async function readMarks(db: Knex): Promise<MarkRows> {
  const joined = (table: string) =>
    db(`${table} as m`).join('discussions as d', (j) =>
      j.on('d.course_id', 'm.course_id').andOn('d.id', 'm.discussion_id'),
    );
  return {
    released: await joined('marks').select(
      'd.slug',
      'm.person_id',
      'm.levels',
      'm.points',
      'm.verdict',
      'd.rubric',
      'd.marked_by',
      'd.brief',
      'm.late',
    ),
    written: await joined('marking').select('d.slug', 'm.person_id'),
  };
}

/** What a released mark comes to, by the rows: in hundredths, so that nothing is lost in the adding; null where no points are given. */
export function markOf(row: Row): { points: number; of: number } | null {
  if (row.marked_by === 'verdict') return null;
  const criteria = row.rubric?.criteria ?? [];
  const best = criteria.reduce((sum, c) => sum + Math.max(...c.levels.map((l) => l.points)), 0);
  const of = criteria.length ? best : (row.brief.points ?? 0);
  if (of === 0) return null;
  const earned = criteria.length
    ? criteria.reduce((sum, c) => sum + (c.levels[row.levels[c.id] ?? -1]?.points ?? 0), 0)
    : Number(row.points ?? 0);
  const { percent, floorPercent } = row.late ?? { percent: 0, floorPercent: 0 };
  const left = Math.max(Math.min(earned, (of * floorPercent) / 100), earned - (of * percent) / 100, 0);
  return { points: Math.round(left * 100) / 100, of };
}
