'use client';

import type { Doc } from '@/core/posts/document';
import { DifferenceView } from '../history/difference-view';

type Text = { title: string; doc: Doc };

/** What a classmate changed in a post while one was answering it: both texts, as one, word by word. */
export const AnsweredChanged = (props: { name: string; before: Text; now: Text }) => (
  <div
    className="mt-2 max-h-[32dvh] overflow-auto rounded-control bg-page px-3 py-2 text-ink"
    tabIndex={0}
    role="group"
    aria-label={`What ${props.name} changed`}
  >
    <DifferenceView
      brief
      first={props.before}
      second={props.now}
      names={{ first: 'the text you began to answer', second: 'the text of now' }}
    />
  </div>
);
