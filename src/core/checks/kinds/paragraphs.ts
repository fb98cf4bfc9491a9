import type { CheckKind } from '../check-kind';

/** Paragraphs in which the writer says something: quotations, lists and headings are none. */
export const paragraphs: CheckKind = {
  id: 'paragraphs',
  find: ({ rules, all }) => {
    if (!rules.paragraphs) return null;
    const own = all.filter((p) => p.role === 'own' && p.line.kind === 'paragraph' && p.ownWords.length > 0);
    return {
      have: own.length,
      need: rules.paragraphs,
      evidence: own.map((p) => ({ from: p.line.pos, to: p.line.pos + p.line.text.length })),
    };
  },
};
