'use client';

import type { Field } from '@/core/outside/fields';
import type { Evidence } from '@/core/outside/suggest';
import type { Doc } from '@/core/document/nodes';
import { useEffect, useRef } from 'react';
import { DocumentView } from '../document/document-view';
import type { Dressed } from '../document/dressing';
import { FIELD_NAMES } from '../words/outside';

type Stretch = { from: number; to: number; fields: Field[] };

/** Stretches that overlap are one: the fields read from them share it. */
function stretchesOf(evidence: Partial<Record<Field, Evidence[]>>): Stretch[] {
  const all = Object.entries(evidence).flatMap(([field, found]) =>
    (found ?? []).flatMap((e) => e.places.map((p) => ({ ...p, fields: [field as Field] }))),
  );
  const out: Stretch[] = [];
  for (const s of all.sort((a, b) => a.from - b.from || b.to - a.to)) {
    const last = out[out.length - 1];
    if (last && s.from < last.to) {
      last.to = Math.max(last.to, s.to);
      last.fields = [...new Set([...last.fields, ...s.fields])];
    } else out.push(s);
  }
  return out;
}

function goTo(field: Field | undefined) {
  const input = document.getElementById(`field-${field}`);
  input?.closest('details')?.setAttribute('open', '');
  input?.focus();
}

/** The left page of the correcting: the prompt with what was read from it marked. A mark leads to its field. */
export function PromptEvidence(props: {
  doc: Doc;
  evidence: Partial<Record<Field, Evidence[]>>;
  pointed: Field | null;
}) {
  const { pointed } = props;
  const page = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (pointed) page.current?.querySelector('[data-pointed]')?.scrollIntoView({ block: 'nearest' });
  }, [pointed]);
  const dressed = stretchesOf(props.evidence).map(({ from, to, fields }): Dressed => ({
    from,
    to,
    dress: (text) => {
      const on = pointed !== null && fields.includes(pointed);
      return (
        <span
          role="button"
          tabIndex={0}
          {...(on ? { 'data-pointed': '' } : {})}
          title={fields.map((f) => FIELD_NAMES[f]).join(', ')}
          className={`cursor-pointer rounded-[2px] underline decoration-2 underline-offset-4 ${
            on ? 'bg-mark decoration-pine' : 'decoration-ochre decoration-dashed'
          }`}
          onClick={() => goTo(fields[0])}
          onKeyDown={(e) => {
            if (e.key !== 'Enter' && e.key !== ' ') return;
            e.preventDefault();
            goTo(fields[0]);
          }}
        >
          {text}
          <span className="sr-only"> (read as: {fields.map((f) => FIELD_NAMES[f]).join(', ')})</span>
        </span>
      );
    },
  }));
  return (
    <div ref={page} className="grow overflow-auto px-4 py-4 sm:px-[22px]" tabIndex={0}>
      <h2 className="sr-only">The prompt’s text</h2>
      <DocumentView doc={props.doc} className="!text-[15px]" dressed={dressed} />
      <p aria-hidden className="mt-3 text-[12.5px] text-ink-2">
        Underlined: what something was read from. Choose it to come to its field.
      </p>
    </div>
  );
}
