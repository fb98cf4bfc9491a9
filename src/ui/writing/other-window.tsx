'use client';

import type { Doc } from '@/core/document/nodes';
import { DifferenceView } from '../history/difference-view';
import { otherWindowText } from '../words/failures';
import type { OtherText } from './draft-keeper';

/** Two windows changed one draft: what differs is shown word by word, and the writer takes either or both. */
export function OtherWindow(props: {
  other: OtherText;
  mine: { title: string; doc: Doc };
  zone: string;
  takeMine: () => void;
  takeTheirs: () => void;
  takeBoth: () => void;
}) {
  return (
    <div role="alert" className="m-3 rounded-control border border-brick bg-brick-tint p-3">
      <p className="font-semibold">{otherWindowText(props.other.keptAt, props.zone)}</p>
      <div
        className="mt-2 max-h-[32dvh] overflow-auto rounded-control bg-page px-3 py-2"
        tabIndex={0}
        role="group"
        aria-label="What differs"
      >
        <DifferenceView
          brief
          first={props.mine}
          second={props.other}
          names={{ first: 'this window', second: 'the other' }}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn go" onClick={props.takeMine}>
          This window’s text
        </button>
        <button type="button" className="btn" onClick={props.takeTheirs}>
          The other text
        </button>
        <button type="button" className="btn" onClick={props.takeBoth}>
          Both, one below the other
        </button>
      </div>
      <p className="mt-1.5 text-[12.5px]">Whichever you do not take stays among the earlier versions.</p>
    </div>
  );
}
