'use client';

import { captionsFrom } from '@/core/posts/captions';
import { LIMITS } from '@/core/document/limits';
import { useEffect, useId, useRef, useState } from 'react';
import { playingTime } from '../words/clips';
import { plural } from '../words/plural';

export type Said = { title: string; captions: string; from: number; to: number | null; ms: number };

const STEP_MS = 100;

/** A recording that is over: looked at, its ends trimmed, named, its words written down. */
export function Review(props: {
  blob: Blob;
  ms: number;
  video: boolean;
  busy: boolean;
  trouble: string | null;
  again: () => void;
  use: (said: Said) => void;
}) {
  const { blob, ms, video } = props;
  const id = useId();
  const player = useRef<HTMLVideoElement>(null);
  const [title, setTitle] = useState('');
  const [captions, setCaptions] = useState('');
  const [from, setFrom] = useState(0);
  const [to, setTo] = useState(ms);
  useEffect(() => {
    const made = URL.createObjectURL(blob);
    if (player.current) player.current.src = made;
    return () => URL.revokeObjectURL(made);
  }, [blob]);
  const show = (at: number) => {
    if (player.current) player.current.currentTime = at / 1_000;
  };
  const cues = captionsFrom(captions, to - from).length;
  return (
    <div className="grid gap-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div className="grid content-start gap-2">
        <video
          ref={player}
          controls
          playsInline
          aria-label="Your recording"
          className={`w-full rounded-control bg-black ${video ? 'aspect-video' : 'h-14'}`}
          onTimeUpdate={(e) => {
            // Plays what will be the clip and no more.
            if (e.currentTarget.currentTime * 1_000 > to) e.currentTarget.pause();
          }}
        />
        <label className="grid gap-0.5 text-[12.5px]" htmlFor={`${id}-from`}>
          Begins at {playingTime(from)}
          <input
            id={`${id}-from`}
            type="range"
            min={0}
            max={ms}
            step={STEP_MS}
            value={from}
            aria-valuetext={playingTime(from)}
            onChange={(e) => {
              const next = Math.min(Number(e.target.value), to - 2 * STEP_MS);
              setFrom(Math.max(0, next));
              show(next);
            }}
            className="accent-(--pine)"
          />
        </label>
        <label className="grid gap-0.5 text-[12.5px]" htmlFor={`${id}-to`}>
          Ends at {playingTime(to)}: {playingTime(to - from)} in all
          <input
            id={`${id}-to`}
            type="range"
            min={0}
            max={ms}
            step={STEP_MS}
            value={to}
            aria-valuetext={playingTime(to)}
            onChange={(e) => {
              const next = Math.max(Number(e.target.value), from + 2 * STEP_MS);
              setTo(Math.min(ms, next));
              show(next);
            }}
            className="accent-(--pine)"
          />
        </label>
      </div>
      <div className="grid content-start gap-2">
        <label className="grid gap-0.5 text-[12.5px] font-semibold">
          Title of the clip
          <input
            className="field font-normal"
            value={title}
            maxLength={LIMITS.titleLength}
            onChange={(e) => setTitle(e.target.value)}
          />
        </label>
        <label className="grid gap-0.5 text-[12.5px] font-semibold">
          What is said, line by line, for who cannot hear it
          <textarea
            className="field [field-sizing:content] max-h-48 font-normal"
            rows={3}
            maxLength={100_000}
            placeholder={'0:00 Here is the old wall.\n0:04 And there the new one.'}
            value={captions}
            onChange={(e) => setCaptions(e.target.value)}
          />
        </label>
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[12.5px] text-ink-2">
          <label className="link cursor-pointer">
            From a .vtt or .srt file…
            <input
              type="file"
              accept=".vtt,.srt,text/vtt,application/x-subrip"
              className="sr-only"
              onChange={(e) => void e.target.files?.[0]?.text().then(setCaptions)}
            />
          </label>
          <span role="status">{captions.trim() ? plural(cues, 'caption') : ''}</span>
        </p>
        {props.trouble ? (
          <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 text-[13px] font-medium">
            {props.trouble}
          </p>
        ) : null}
        <div className="flex flex-wrap justify-end gap-2">
          <button type="button" className="btn" disabled={props.busy} onClick={props.again}>
            Take it again
          </button>
          <button
            type="button"
            className="btn go"
            disabled={props.busy}
            onClick={() => props.use({ title: title.trim(), captions, from, to: to < ms ? to : null, ms })}
          >
            {props.busy ? 'Putting it in…' : 'Put it in the text'}
          </button>
        </div>
      </div>
    </div>
  );
}
