import type { CheckKind } from '../check-kind';

export const question: CheckKind = {
  id: 'question',
  find: ({ rules, sentences }) => {
    if (!rules.question) return null;
    const asked = sentences().filter((s) => s.question);
    return {
      have: asked.length,
      need: rules.question,
      evidence: asked,
      missing: asked.length === 0 ? { code: 'no-question' } : null,
    };
  },
};
