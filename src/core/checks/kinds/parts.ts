import type { CheckKind } from '../check-kind';
import { partAnswers } from '../parts';

export const partsAnswered: CheckKind = {
  id: 'parts',
  find: ({ all, parts }) => {
    if (parts.length === 0) return null;
    const answers = partAnswers(all, parts);
    const open = answers.filter((a) => !a.answered);
    return {
      have: parts.length - open.length,
      need: { min: parts.length },
      evidence: answers.filter((a) => a.answered).flatMap((a) => a.evidence),
      missing: open.length
        ? {
            code: 'parts-unanswered',
            parts: open.map((a) => ({ n: a.n, text: a.part.text, placed: a.placed })),
          }
        : null,
    };
  },
};
