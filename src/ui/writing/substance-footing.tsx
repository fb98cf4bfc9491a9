'use client';

import type { Doing } from '@/core/substance/on-document';
import { doingName, doingSentence, FEW_WORDS, nextStep, verdictText } from '../words/substance';
import { calledName } from '../words/plural';
import type { LiveChecks } from './live-checks';
import type { Selected } from './selected';
import { useFigures } from './use-checks';

const id = (d: Doing): Selected => `does ${d.kind}`;

/** Whether a reply says something, for its writer alone: what it does, with its places in the text, and what would help. */
export function SubstanceFooting(props: {
  live: LiveChecks;
  selected: Selected | null;
  select: (id: Selected) => void;
}) {
  const { live, selected, select } = props;
  const { substance } = useFigures(live);
  const answered = live.answered();
  const name = calledName(answered.name);
  if (!substance || substance.words < FEW_WORDS)
    return (
      <p className="pb-1 text-[13px] text-ink-2">
        As you write, this says whether the reply says something to {name}. It advises; nobody else sees it.
      </p>
    );
  const { verdict, doing } = substance;
  const shown = doing.find((d) => id(d) === selected);
  const step = nextStep(substance, name);
  const said = shown?.of ? answered.text.slice(shown.of.start, shown.of.end) : null;
  return (
    <section aria-label="What this reply says" className="text-[13px]">
      <p role="status">
        {shown ? (
          <>
            <b>{doingName(shown.kind, name)}.</b> {doingSentence(shown, name, said)}
          </>
        ) : (
          <>
            <b className={verdict === 'substantive' ? 'text-pine-ink' : 'text-ochre-ink'}>
              {verdictText(substance, name)}.
            </b>{' '}
            <span className="text-ink-2">{step ?? 'Only you see this.'}</span>
          </>
        )}
      </p>
      <ul className="relative mt-1.5 flex gap-1 max-sm:-mx-4 max-sm:overflow-x-auto max-sm:px-4 max-sm:pb-1 sm:flex-wrap">
        {doing.map((d) => (
          <li key={d.kind} className="shrink-0">
            <button
              type="button"
              aria-pressed={id(d) === selected}
              onClick={() => select(id(d))}
              className={`inline-flex min-h-6 items-center gap-1 rounded-[5px] border bg-page px-1.5 text-[12px] font-semibold whitespace-nowrap ${
                id(d) === selected ? 'border-ink' : 'border-rule'
              } ${d.weighs === 'for' ? 'text-ink' : 'text-ochre-ink'}`}
            >
              <span aria-hidden>{d.weighs === 'for' ? '+' : '−'}</span>
              {doingName(d.kind, name)}
              <span className="sr-only">
                {d.weighs === 'for' ? ', speaks for it' : ', weighs against it'}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
