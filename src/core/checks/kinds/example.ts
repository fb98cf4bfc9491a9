import type { CheckKind } from '../check-kind';
import { examplesOf } from '../examples';

export const example: CheckKind = {
  id: 'example',
  find: ({ rules, all }) => {
    if (!rules.example) return null;
    const found = examplesOf(all);
    return {
      have: found.length,
      need: rules.example,
      evidence: found,
      missing: found.length ? null : { code: 'no-example' },
    };
  },
};
