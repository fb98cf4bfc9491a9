'use client';

import type { Doc } from '@/core/document/nodes';
import { DocumentView } from '../document/document-view';
import type { Dressed } from '../document/dressing';
import { plural } from '../words/plural';
import type { MarkView } from './types';

/** The reading's text with its noted passages marked; a crowded one is one mark with a number. */
export function MarkedText(props: {
  doc: Doc;
  marks: MarkView[];
  chosen: readonly string[] | null;
  choose: (notes: string[]) => void;
  spoken: { from: number; to: number } | null;
}) {
  const { chosen, choose } = props;
  const dressed = props.marks.map(({ from, to, notes, first }): Dressed => {
    const on = chosen !== null && notes.some((n) => chosen.includes(n));
    const open = () => choose(notes);
    return {
      from,
      to,
      dress: (text) => (
        <span
          role="button"
          tabIndex={first ? 0 : -1}
          aria-pressed={on}
          data-mark={notes.join(' ')}
          onClick={() => {
            // A press that selects text is not one that opens the mark.
            if (window.getSelection()?.isCollapsed !== false) open();
          }}
          onKeyDown={(e) => {
            if (e.key !== 'Enter' && e.key !== ' ') return;
            e.preventDefault();
            open();
          }}
          className={`cursor-pointer rounded-[2px] underline decoration-sky decoration-2 underline-offset-4 ${
            on ? 'bg-mark' : 'bg-sky-tint'
          }`}
        >
          {text}
          <span data-beside="" className="sr-only">
            {' '}
            ({plural(notes.length, 'margin note')})
          </span>
          {first && notes.length > 1 ? (
            <sup data-beside="" aria-hidden className="ml-0.5 font-sans text-[10.5px] font-bold text-sky">
              {notes.length}
            </sup>
          ) : null}
        </span>
      ),
    };
  });
  const voice: Dressed[] = props.spoken
    ? [
        {
          ...props.spoken,
          dress: (text) => (
            <mark data-spoken="" className="rounded-[2px] bg-mark text-ink">
              {text}
            </mark>
          ),
        },
      ]
    : [];
  return (
    <div data-reading="">
      <DocumentView doc={props.doc} placed dressed={dressed} within={voice} />
    </div>
  );
}
