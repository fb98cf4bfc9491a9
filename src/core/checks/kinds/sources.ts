import { notesIn } from '../../document/flatten';
import type { CheckKind } from '../check-kind';
import { sources } from '../sources';

/** Sources that are cited. One of which only a name and a year is said counts, and a reader will decide. */
export const sourceCount: CheckKind = {
  id: 'sources',
  find: ({ input, rules, all }) => {
    if (!rules.sources) return null;
    const found = sources(all, notesIn(input.doc));
    return {
      have: found.distinct,
      need: rules.sources,
      evidence: found.cited,
      missing:
        found.distinct < rules.sources.min && found.listed > 0
          ? { code: 'sources-uncited', listed: found.listed }
          : null,
      remarks: [
        ...(found.unlisted.length ? [{ code: 'cited-not-listed' as const, names: found.unlisted }] : []),
        ...(found.uncited.length ? [{ code: 'listed-not-cited' as const, entries: found.uncited }] : []),
      ],
      unsure: found.sure < rules.sources.min,
    };
  },
};
