'use client';

import type { Field } from '@/core/outside/fields';
import type { Evidence } from '@/core/outside/suggest';
import { surenessText } from '../words/outside';

const SHOWN = 90;

/** What a field was read from, as words of the prompt; pointing at them shows where they stand. */
export function FieldEvidence(props: {
  field: Field;
  evidence: Evidence[] | undefined;
  point: (field: Field | null) => void;
}) {
  const { field, evidence, point } = props;
  const said = [...new Map((evidence ?? []).map((e) => [e.quote, e])).values()];
  if (said.length === 0) return null;
  return (
    <p id={`read-${field}`} className="text-[12.5px] text-ink-2">
      {said.map((e) => {
        const quote = e.quote.replace(/\s+/gu, ' ').trim();
        return (
          <button
            key={e.quote}
            type="button"
            className="mr-2 min-h-6 text-left font-serif italic underline decoration-ochre decoration-dashed decoration-2 underline-offset-4"
            onClick={() => point(field)}
          >
            “{quote.length > SHOWN ? `${quote.slice(0, SHOWN)}…` : quote}”
          </button>
        );
      })}
      {surenessText(Math.min(...said.map((e) => e.confidence)))}
    </p>
  );
}
