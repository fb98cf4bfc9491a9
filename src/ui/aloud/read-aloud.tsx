'use client';

import { recordingAt } from '@/contract/addresses';
import { ChevronLeft, ChevronRight, Pause, Square, Volume2 } from 'lucide-react';
import type { Voice } from './use-voice';

const RATES = [0.8, 1, 1.2, 1.5];

/** Hearing a text: in its instructor's own recording where there is one, and in the device's voice, sentence by sentence. */
export function ReadAloud(props: {
  voice: Voice;
  recording: { id: string; speaker: string } | null;
  what: string;
}) {
  const { voice, recording, what } = props;
  const running = voice.state === 'speaking' || voice.state === 'paused';
  const button = 'btn !min-h-8 !px-2.5 !py-1 !text-[12.5px]';
  return (
    <div className="flex flex-wrap items-center gap-2 text-[12.5px]" role="group" aria-label={`Hear ${what}`}>
      {recording ? (
        <span className="flex min-w-0 flex-wrap items-center gap-2">
          <span className="font-semibold">Read by {recording.speaker}</span>
          {/* What is said is the text itself, which stands beside it. */}
          <audio
            controls
            preload="none"
            src={recordingAt(recording.id)}
            aria-label={`${what}, read by ${recording.speaker}`}
            className="h-9 w-60 max-w-full"
          />
        </span>
      ) : null}
      {voice.state === 'speaking' ? (
        <button type="button" className={button} onClick={voice.pause}>
          <Pause size={14} aria-hidden /> Pause
        </button>
      ) : (
        <button type="button" className={`${button} hidden scripted:inline-flex`} onClick={voice.speak}>
          <Volume2 size={14} aria-hidden />{' '}
          {voice.state === 'paused' ? 'Go on' : recording ? 'Or hear a machine voice' : 'Hear it'}
        </button>
      )}
      {running ? (
        <>
          <button
            type="button"
            className={button}
            aria-label="One sentence back"
            onClick={() => voice.step(-1)}
          >
            <ChevronLeft size={14} aria-hidden />
          </button>
          <button type="button" className={button} aria-label="One sentence on" onClick={() => voice.step(1)}>
            <ChevronRight size={14} aria-hidden />
          </button>
          <button type="button" className={button} onClick={voice.stop}>
            <Square size={12} aria-hidden /> Stop
          </button>
          <label className="flex items-center gap-1.5">
            Speed
            <select
              className="field !min-h-8 !w-auto !py-0.5"
              value={voice.rate}
              onChange={(e) => voice.setRate(Number(e.target.value))}
            >
              {RATES.map((r) => (
                <option key={r} value={r}>
                  {r}×
                </option>
              ))}
            </select>
          </label>
        </>
      ) : null}
      {voice.state === 'none' ? (
        <span role="status" className="font-semibold text-ochre-ink">
          This browser has no voice to read with. Nothing was lost; try another browser or device.
        </span>
      ) : null}
    </div>
  );
}
