'use client';

import type { Doc } from '@/core/document/nodes';
import type { Compared } from '@/core/drafts/difference';
import { ComparedView, DifferenceView } from '../history/difference-view';

type Text = { title: string; doc: Doc };

const NAMES = { first: 'the text you began to answer', second: 'the text of now' };

/** What a classmate changed in a post while one was answering it: both texts, as one, word by word. */
export const AnsweredChanged = (props: {
  name: string;
  texts: { before: Text; now: Text } | { compared: Compared | null };
}) => (
  <div
    className="mt-2 max-h-[32dvh] overflow-auto rounded-control bg-page px-3 py-2 text-ink"
    tabIndex={0}
    role="group"
    aria-label={`What ${props.name} changed`}
  >
    {'compared' in props.texts ? (
      <ComparedView compared={props.texts.compared} names={NAMES} />
    ) : (
      <DifferenceView brief first={props.texts.before} second={props.texts.now} names={NAMES} />
    )}
  </div>
);
