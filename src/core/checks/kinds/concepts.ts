import type { CheckKind } from '../check-kind';
import { conceptUses } from '../concepts';

export const concepts: CheckKind = {
  id: 'concepts',
  find: ({ input, rules, all }) => {
    if (!rules.concepts) return null;
    const uses = conceptUses(all, input.brief.concepts);
    const used = uses.filter((u) => u.own.length > 0);
    const unused = uses.filter((u) => u.own.length === 0);
    return {
      have: used.length,
      need: rules.concepts,
      evidence: used.flatMap((u) => u.own),
      missing:
        used.length < rules.concepts.min
          ? {
              code: 'concepts-unused',
              terms: unused.map((u) => u.term),
              onlyQuoted: unused.filter((u) => u.quoted > 0).map((u) => u.term),
            }
          : null,
    };
  },
};
