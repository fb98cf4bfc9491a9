import type { CheckFigure } from '@/core/checks/types';
import type { Substance } from '@/core/substance/on-document';
import { shortfall } from './checks';
import { doingName, FEW_WORDS, verdictText } from './substance';

/** Where a draft stands, in one line. */
export type Gist = {
  words: { have: number; need: number } | null;
  /** What is said beside the words, the most useful first. */
  rest: string[];
};

/** The line at the foot of a text: its words, what a reply does or what is still missing, and how much of all that is met. `name` is the classmate's. */
export function gistOf(checks: readonly CheckFigure[], substance: Substance | null, name: string): Gist {
  const words = checks.find((c) => c.id === 'words');
  const need = words?.need.min ?? words?.need.max;
  const others = checks.filter((c) => c.id !== 'words');
  const lacking = others.filter((c) => c.required && !c.met);
  const more = lacking.length - 2;
  return {
    words: words && need ? { have: words.have, need } : null,
    rest: [
      ...(substance && substance.words >= FEW_WORDS ? [said(substance, name)] : []),
      ...lacking.slice(0, 2).map(shortfall),
      ...(more > 0 ? [`${more} more to do`] : []),
      ...(lacking.length === 0 && words?.met !== false ? ['nothing is missing'] : []),
    ],
  };
}

/** What a reply does first of all; where that is nothing yet, its verdict. */
function said(substance: Substance, name: string): string {
  const does = substance.doing.filter((d) => d.weighs === 'for').slice(0, 2);
  return substance.repeats || substance.verdict === 'thin' || does.length === 0
    ? verdictText(substance, name)
    : does.map((d) => doingName(d.kind, name)).join(', ');
}
