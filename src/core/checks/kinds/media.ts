import type { CheckKind } from '../check-kind';
import { mediaOf } from '../media';

/** Pictures, clips, links and files; of a kind no more count than are asked for. */
export const media: CheckKind = {
  id: 'media',
  find: ({ input, rules, all }) => {
    if (!rules.media) return null;
    const carried = mediaOf(input.doc, all);
    const wanted = rules.media.map((m) => ({ ...m, found: (carried.get(m.kind) ?? []).slice(0, m.min) }));
    const missing = wanted
      .filter((m) => m.found.length < m.min)
      .map((m) => ({ kind: m.kind, by: m.min - m.found.length }));
    const found = wanted.flatMap((m) => m.found);
    return {
      have: found.length,
      need: { min: wanted.reduce((n, m) => n + m.min, 0) },
      evidence: found,
      missing: missing.length ? { code: 'media-missing', media: missing } : null,
    };
  },
};
