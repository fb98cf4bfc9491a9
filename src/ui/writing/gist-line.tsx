'use client';

import { ChevronDown, ChevronUp } from 'lucide-react';
import { gistOf } from '../words/gist';
import { calledName } from '../words/plural';
import type { LiveChecks } from './live-checks';
import { useFigures } from './use-checks';

/** The checks in one line, which opens: how many words of how many, what else stands out. */
export function GistLine(props: { live: LiveChecks; open: boolean; panel: string; toggle: () => void }) {
  const { checks, substance } = useFigures(props.live);
  const name = props.live.judges() ? calledName(props.live.answered().name) : '';
  const { words, rest } = gistOf(checks, substance ?? null, name);
  const Chevron = props.open ? ChevronDown : ChevronUp;
  return (
    <button
      type="button"
      aria-expanded={props.open}
      aria-controls={props.panel}
      onClick={props.toggle}
      className="flex min-h-7 w-full min-w-0 items-center gap-2 rounded-[5px] text-left text-[12.5px] max-lg:min-h-9"
    >
      {words ? (
        <>
          <b className="tabular-nums">{words.have}</b>
          <span aria-hidden className="h-2 w-12 shrink-0 overflow-hidden rounded-full bg-rule">
            <span
              className={`block h-full ${words.have >= words.need ? 'bg-pine' : 'bg-ochre'}`}
              style={{ width: `${Math.min(100, (100 * words.have) / words.need)}%` }}
            />
          </span>
        </>
      ) : null}
      <span className="line-clamp-2 min-w-0 grow leading-tight">
        {[...(words ? [`of ${words.need} words`] : []), ...rest].join(' · ') || 'Proofread, cite, preview'}
      </span>
      <Chevron size={16} aria-hidden className="shrink-0" />
      <span className="sr-only">
        {props.open ? ', fold the checks' : ', all checks and what there is to do'}
      </span>
    </button>
  );
}
