import type { Brief } from '@/core/brief/brief';
import { figures, runChecks, unmetRequired } from '@/core/checks/checks';
import type { PostKind } from '@/core/counting/types';
import type { CourseId } from '@/core/ids';
import type { Doc } from '@/core/posts/document';
import type { CheckFigure } from '@/core/checks/types';
import { askTogether } from '@/db/ask';
import type { Db } from '@/db/connection';
import { readingTexts } from '@/db/queries/proofreading';

/** The texts a response may quote from, where its brief asks for quotations; otherwise nothing is read. */
export async function quotable(
  db: Db,
  record: { brief: Brief; course: { id: CourseId }; week: { number: number } },
): Promise<string[]> {
  if (!record.brief.response.quotes) return [];
  const { found } = await askTogether(db, { found: readingTexts(db, record.course.id, record.week.number) });
  return found.map((r) => r.text);
}

/** Runs the core's checks on a text as it is kept or shared: the figures that are stored with it. */
export function figuresOf(
  brief: Brief,
  kind: PostKind,
  title: string,
  doc: Doc,
  answered: { author: { name: string }; plain: string } | null,
  readings: readonly string[] = [],
) {
  const checks = runChecks(
    kind === 'response'
      ? { kind, brief, title, doc, readings }
      : { kind, brief, doc, answered: { name: answered?.author.name ?? '', text: answered?.plain ?? '' } },
  );
  const rules = kind === 'response' ? brief.response : brief.replies;
  return {
    unmet: unmetRequired(checks),
    ownWords: figures(doc, kind === 'response' ? brief.parts : [], rules.countQuoted).own,
    checks: checks.map(({ id, have, need, met, required }): CheckFigure => ({
      id,
      have,
      need,
      met,
      required,
    })),
  };
}
