'use client';

import { useMemo } from 'react';
import { abridged, difference, type Compared } from '@/core/drafts/difference';
import type { Doc } from '@/core/document/nodes';
import { plural } from '../words/plural';

type Text = { title: string; doc: Doc };

type Names = { first: string; second: string };

/** Two texts as one, word by word, compared where they are shown. */
export function DifferenceView(props: {
  first: Text;
  second: Text;
  names: Names;
  /** Only the words around what differs. */
  brief?: boolean;
}) {
  const { first, second, names, brief } = props;
  const compared = useMemo(() => {
    const found = difference(first, second);
    return brief ? { ...found, stretches: abridged(found.stretches) } : found;
  }, [first, second, brief]);
  return <ComparedView compared={compared} names={names} />;
}

/** Two compared texts as one: what stands only in the first is struck through, what only in the second is underlined. */
export function ComparedView({ compared, names }: { compared: Compared | null; names: Names }) {
  if (!compared)
    return (
      <p className="text-[12.5px] text-ink-2">
        The two texts are too long and too different to be compared word by word. Both are kept whole.
      </p>
    );
  const { stretches, onlyFirst, onlySecond } = compared;
  return (
    <div>
      <p className="mb-2 text-[12.5px] text-ink-2">
        {onlyFirst + onlySecond === 0 ? (
          'Word for word the same.'
        ) : (
          <>
            <del className="only-first">{plural(onlyFirst, 'word')}</del> only in {names.first},{' '}
            <ins className="only-second">{plural(onlySecond, 'word')}</ins> only in {names.second}.
          </>
        )}
      </p>
      <div className="text whitespace-pre-wrap">
        {stretches.map((s, i) =>
          s.kind === 'same' ? (
            <span key={i}>{s.text}</span>
          ) : s.kind === 'only-first' ? (
            <del key={i} className="only-first">
              {s.text}
            </del>
          ) : (
            <ins key={i} className="only-second">
              {s.text}
            </ins>
          ),
        )}
      </div>
    </div>
  );
}
