import type { CheckKind } from '../check-kind';

export const sentenceCount: CheckKind = {
  id: 'sentences',
  find: ({ rules, sentences }) =>
    rules.sentences ? { have: sentences().length, need: rules.sentences, evidence: [...sentences()] } : null,
};
