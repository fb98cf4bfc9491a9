import type { Brief } from '@/core/brief/brief';
import { figures, runChecks, unmetRequired } from '@/core/checks/checks';
import type { PostKind } from '@/core/counting/types';
import type { Doc } from '@/core/posts/document';
import type { CheckFigure } from '@/core/checks/types';

/** Runs the core's checks on a text as it is kept or shared: the figures that are stored with it. */
export function figuresOf(
  brief: Brief,
  kind: PostKind,
  title: string,
  doc: Doc,
  answered: { author: { name: string }; plain: string } | null,
) {
  const checks = runChecks(
    kind === 'response'
      ? { kind, brief, title, doc }
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
