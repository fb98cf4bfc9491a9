import { words } from '../../text/words';
import type { CheckKind } from '../check-kind';

/** A title, or one with certain words in it. */
export const title: CheckKind = {
  id: 'title',
  find: ({ input }) => {
    const wanted = input.kind === 'response' && input.brief.response.title;
    if (input.kind === 'reply' || !wanted) return null;
    const said = input.title.trim();
    const right =
      typeof wanted === 'string' ? said.toLowerCase().includes(wanted.toLowerCase()) : words(said).length > 0;
    return {
      have: right ? 1 : 0,
      need: { min: 1 },
      evidence: [],
      missing: right
        ? null
        : typeof wanted === 'string'
          ? { code: 'other-title', wanted }
          : { code: 'no-title' },
    };
  },
};
