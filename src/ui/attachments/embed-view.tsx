'use client';

import { embedAt } from '@/contract/addresses';
import type { Embed } from '@/core/document/nodes';
import { CirclePlay } from 'lucide-react';
import { useState } from 'react';

/** Something of a media site. Nothing is loaded from there, and nobody told of the reader, before it is played. */
export function EmbedView({ attrs }: { attrs: Embed['attrs'] }) {
  const { url, title, site } = attrs;
  const [playing, setPlaying] = useState(false);
  return (
    <figure className="my-3 max-w-[560px] rounded-control border border-rule bg-page-2 p-2 font-sans">
      {playing ? (
        <iframe
          src={embedAt({ url })}
          title={title}
          sandbox="allow-scripts"
          allow="fullscreen"
          className="aspect-video w-full rounded-[5px] border-0 bg-black"
        />
      ) : (
        <button
          type="button"
          onClick={() => setPlaying(true)}
          className="grid aspect-video w-full place-items-center rounded-[5px] bg-bar text-on-bar"
        >
          <span className="grid place-items-center gap-2 px-4 text-center text-[14px]">
            <CirclePlay size={44} strokeWidth={1.4} aria-hidden />
            <span>
              Play it here<span className="sr-only">: {title}</span>
            </span>
            <span className="text-[12px] opacity-80">{site} then learns that somebody watches</span>
          </span>
        </button>
      )}
      <figcaption className="flex flex-wrap gap-x-2 px-1 pt-1.5 text-[13px]">
        <b className="min-w-0 break-words">{title}</b>
        <span className="text-ink-2">{site}</span>
        <a className="link" href={url} target="_blank" rel="noopener noreferrer nofollow">
          Open its own page<span className="sr-only"> of {title}</span>
        </a>
      </figcaption>
    </figure>
  );
}
