import type { Brief, CheckId } from '@/core/brief/brief';
import { figures } from '@/core/checks/check-draft';
import { runChecks, unmetRequired } from '@/core/checks/checks';
import type { CheckFigure } from '@/core/checks/types';
import type { Given } from '@/core/checks/not-own';
import type { PostKind } from '@/core/counting/types';
import { plainText } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { countWords } from '@/core/text/words';

/** A text on its way to be kept or shared, and what it is measured against. */
export type Measured = {
  brief: Brief;
  kind: PostKind;
  title: string;
  doc: Doc;
  answered: { author: { name: string }; plain: string } | null;
  /** The texts it may quote from. */
  readings?: readonly string[];
  /** What everybody has; passages copied from it are not the writer's own. */
  given?: readonly Given[];
};
/** What is stored with a text; `words` are all of it, quoted ones among them. */
export type StoredFigures = { unmet: CheckId[]; ownWords: number; words: number; checks: CheckFigure[] };

/** The core's checks on a text, as figures. */
export function figuresNow(text: Measured): StoredFigures {
  const { brief, kind, title, doc, answered, readings = [], given = [] } = text;
  const checks = runChecks(
    kind === 'response'
      ? { kind, brief, title, doc, readings, given }
      : {
          kind,
          brief,
          doc,
          answered: { name: answered?.author.name ?? '', text: answered?.plain ?? '' },
          given,
        },
  );
  const rules = kind === 'response' ? brief.response : brief.replies;
  return {
    unmet: unmetRequired(checks),
    ownWords: figures(doc, kind === 'response' ? brief.parts : [], rules.countQuoted, given).own,
    words: countWords(plainText(doc)),
    checks: checks.map(({ id, have, need, met, required }): CheckFigure => ({
      id,
      have,
      need,
      met,
      required,
    })),
  };
}
