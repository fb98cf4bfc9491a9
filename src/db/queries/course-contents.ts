import type { Brief } from '@/core/brief/brief';
import type { Doc } from '@/core/document/nodes';
import type { CourseId } from '@/core/ids';
import { groupBy } from '@/core/group';
import type { Db } from '../connection';

export type WeekContents = {
  number: number;
  title: string;
  readings: { title: string; author: string; place: string; doc: Doc | null }[];
  prompts: { title: string; prompt: Doc; brief: Brief }[];
  files: { name: string; title: string; content: Buffer }[];
};

type Parts = Pick<WeekContents, 'readings' | 'prompts' | 'files'>;

/** Everything that a course asks and reads, week by week: nothing of anybody in it. */
export async function courseContents(db: Db, course: CourseId): Promise<WeekContents[]> {
  const weeks: { number: number; title: string }[] = await db('weeks')
    .where({ course_id: course })
    .orderBy('number')
    .select('number', 'title');
  const of = <K extends keyof Parts>(rows: (Parts[K][number] & { week: number })[]) =>
    groupBy(rows, (row) => row.week);
  const readings = of<'readings'>(
    await db('readings')
      .where({ course_id: course })
      .orderBy('position')
      .select('week', 'title', 'author', 'place', 'doc'),
  );
  const prompts = of<'prompts'>(
    await db('discussions')
      .where({ course_id: course })
      .orderBy('slug')
      .select('week', 'title', 'prompt', 'brief'),
  );
  const files = of<'files'>(
    await db('week_files')
      .where({ course_id: course })
      .orderBy('position')
      .select('week', 'name', 'title', 'content'),
  );
  return weeks.map((week) => ({
    ...week,
    readings: readings.get(week.number) ?? [],
    prompts: prompts.get(week.number) ?? [],
    files: files.get(week.number) ?? [],
  }));
}

/** The place of the last file of a week; 0 where there is none. */
export async function lastFilePosition(db: Db, course: CourseId, week: number): Promise<number> {
  const row = await db('week_files').where({ course_id: course, week }).max('position as n').first();
  return Number(row?.n ?? 0);
}
