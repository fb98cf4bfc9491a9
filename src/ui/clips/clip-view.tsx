'use client';

import { attachmentAt, captionsAt, posterAt } from '@/contract/addresses';
import type { OutputOf } from '@/contract/endpoint';
import { clipState } from '@/contract/files';
import { call } from '../request/call';
import type { Clip } from '@/core/document/nodes';
import { useEffect, useState } from 'react';
import { playingTime } from '../words/clips';

type State = OutputOf<typeof clipState>;

const LOOK_AGAIN_MS = [1_000, 1_500, 2_000, 3_000, 5_000, 10_000];

/** How far a clip is; looked at again until it can be played. Null before the first answer, and where there is none. */
function useClip(file: string): State | null {
  const [clip, setClip] = useState<State | null>(null);
  useEffect(() => {
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = async (times: number) => {
      const found = await call(clipState, { id: file }, null);
      if (gone) return;
      if (found.ok) setClip(found.value);
      if (found.ok ? found.value.state === 'waiting' : found.code === 'no-answer')
        timer = setTimeout(() => void look(times + 1), LOOK_AGAIN_MS[times] ?? 15_000);
    };
    void look(0);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [file]);
  return clip;
}

/** What is said in a clip, to be read. */
function Transcript({ file }: { file: string }) {
  const [text, setText] = useState<string | null>(null);
  return (
    <details
      className="mt-1 text-[13px]"
      onToggle={(e) => {
        if (!e.currentTarget.open || text !== null) return;
        void fetch(captionsAt(file))
          .then((answer) => answer.text())
          .then((vtt) =>
            setText(
              vtt
                .split('\n')
                .slice(2)
                .filter((line) => line && !line.includes('-->'))
                .join('\n')
                .replace(/&lt;/gu, '<')
                .replace(/&gt;/gu, '>')
                .replace(/&amp;/gu, '&'),
            ),
          );
      }}
    >
      <summary className="link inline-block cursor-pointer">What is said</summary>
      <p className="mt-1 whitespace-pre-line">{text ?? 'Fetching it…'}</p>
    </details>
  );
}

/** A clip in a text: played where it stands, as soon as it can be. */
export function ClipView({ attrs }: { attrs: Clip['attrs'] }) {
  const { file, video } = attrs;
  const clip = useClip(file);
  const title = attrs.title || 'Clip';
  const ms = clip?.ms || attrs.ms;
  const address = attachmentAt(file);
  const track = clip?.captions ? (
    <track kind="captions" label="Captions" src={captionsAt(file)} default />
  ) : null;
  return (
    <figure className="my-3 max-w-[560px] rounded-control border border-rule bg-page-2 p-2 font-sans">
      {clip?.state === 'ready' ? (
        video ? (
          <video
            controls
            playsInline
            preload="metadata"
            src={address}
            {...(clip.poster ? { poster: posterAt(file) } : {})}
            aria-label={title}
            className="max-h-[60vh] w-full rounded-[5px] bg-black"
          >
            {track}
          </video>
        ) : (
          <audio controls preload="metadata" src={address} aria-label={title} className="w-full">
            {track}
          </audio>
        )
      ) : (
        <p role="status" className="px-2 py-6 text-center text-[13.5px] text-ink-2">
          {clip === null
            ? 'Looking for the clip…'
            : clip.state === 'waiting'
              ? 'This clip is being made ready to play. It will appear here by itself.'
              : 'This clip could not be made playable. Who recorded it can take it again.'}
        </p>
      )}
      <figcaption className="px-1 pt-1.5 text-[13px]">
        <b>{title}</b>
        {ms > 0 ? <span className="text-ink-2"> · {playingTime(Math.round(ms / 1_000) * 1_000)}</span> : null}
        {clip?.captions ? <Transcript file={file} /> : null}
      </figcaption>
    </figure>
  );
}
