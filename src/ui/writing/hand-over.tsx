'use client';

import { useRef } from 'react';
import { handOverAt } from '@/contract/addresses';
import type { Doc } from '@/core/document/nodes';
import type { Place } from './draft-keeper';

/** The form by which a draft is handed to the staff: with the words as they stand in the editor, or as they were kept last. */
export function HandOver(props: {
  place: Pick<Place, 'slug' | 'kind' | 'parent'>;
  text?: () => { title: string; doc: Doc };
}) {
  const { place, text } = props;
  const doc = useRef<HTMLInputElement>(null);
  const title = useRef<HTMLInputElement>(null);
  return (
    <details className="mt-2 text-[13.5px]">
      <summary className="link min-h-6 w-fit cursor-pointer">
        {text ? 'Hand it to the staff' : 'Hand your draft to the staff'}
      </summary>
      <form
        action={handOverAt(place.slug)}
        method="post"
        className="mt-2 flex flex-wrap items-end gap-2"
        onSubmit={() => {
          const now = text?.();
          if (now && doc.current) doc.current.value = JSON.stringify(now.doc);
          if (now && title.current) title.current.value = now.title;
        }}
      >
        <input type="hidden" name="kind" value={place.kind} />
        <input type="hidden" name="parent" value={place.parent ?? ''} />
        <input type="hidden" name="doc" ref={doc} />
        <input type="hidden" name="title" ref={title} />
        <label className="grid min-w-0 grow basis-60 gap-1 font-semibold">
          What happened, in a sentence
          <input name="said" required maxLength={600} className="field font-normal" />
          <span className="font-normal text-ink-2">
            They read it with your text and when it was written, and may let it count.
          </span>
        </label>
        <button type="submit" className="btn">
          Hand it over
        </button>
      </form>
    </details>
  );
}
