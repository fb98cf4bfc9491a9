'use client';

import { plainText } from '@/core/posts/flatten';
import { otherWindowText } from '../words/failures';
import type { Keeping } from './draft-keeper';

/** Two windows changed one draft: both are there, the writer chooses. */
export function OtherWindow(props: {
  other: Extract<Keeping, { state: 'elsewhere' }>['other'];
  zone: string;
  mine: () => void;
  theirs: () => void;
}) {
  const opening = plainText(props.other.doc).slice(0, 240);
  return (
    <div role="alert" className="m-3 rounded-control border border-brick bg-brick-tint p-3">
      <p className="font-semibold">{otherWindowText(props.other.keptAt, props.zone)}</p>
      <p className="mt-1 font-serif text-[14px]">
        <b>{props.other.title || 'The other text'}</b>: {opening || '(empty)'}
        {opening.length === 240 ? '…' : ''}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn go" onClick={props.mine}>
          This window’s text
        </button>
        <button type="button" className="btn" onClick={props.theirs}>
          The other text
        </button>
      </div>
    </div>
  );
}
