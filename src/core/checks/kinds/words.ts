import type { CheckKind } from '../check-kind';
import { ownStretches, wordFigures } from '../passages';

export const wordCount: CheckKind = {
  id: 'words',
  find: ({ rules, all }) =>
    rules.words
      ? {
          have: wordFigures(all).own,
          need: rules.words,
          evidence: all.flatMap((p) =>
            ownStretches(p).map((s) => ({ from: p.line.pos + s.start, to: p.line.pos + s.end })),
          ),
        }
      : null,
};
