'use client';

import { sentencesToSpeak } from '@/core/reading/aloud';
import type { Doc } from '@/core/document/nodes';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

export type Voice = {
  state: 'quiet' | 'speaking' | 'paused' | 'none';
  /** The sentence under the voice, in the document's positions. */
  sentence: { from: number; to: number } | null;
  speak: () => void;
  pause: () => void;
  stop: () => void;
  step: (by: number) => void;
  rate: number;
  setRate: (rate: number) => void;
};

/** Reads a document aloud with the device's voice (Web Speech), a sentence at a time. */
export function useVoice(doc: Doc | null): Voice {
  const sentences = useMemo(() => (doc ? sentencesToSpeak(doc) : []), [doc]);
  const [at, setAt] = useState<number | null>(null);
  const [state, setState] = useState<Voice['state']>('quiet');
  const [rate, setRate] = useState(1);
  // Utterances of an earlier start end after the next one has begun; they must not move it.
  const run = useRef(0);

  const say = useCallback(
    (from: number, pace: number) => {
      const synth = window.speechSynthesis;
      run.current += 1;
      const mine = run.current;
      synth.cancel();
      const next = (i: number) => {
        const sentence = sentences[i];
        if (mine !== run.current) return;
        if (!sentence) {
          setAt(null);
          setState('quiet');
          return;
        }
        setAt(i);
        const utterance = new SpeechSynthesisUtterance(sentence.text);
        utterance.rate = pace;
        utterance.lang = document.documentElement.lang || 'en';
        utterance.onend = () => next(i + 1);
        utterance.onerror = (e) => {
          if (mine !== run.current || e.error === 'canceled' || e.error === 'interrupted') return;
          setState('none');
          setAt(null);
        };
        synth.speak(utterance);
      };
      setState('speaking');
      next(from);
    },
    [sentences],
  );

  const stop = useCallback(() => {
    run.current += 1;
    if ('speechSynthesis' in window) window.speechSynthesis.cancel();
    setAt(null);
    setState('quiet');
  }, []);

  useEffect(
    () => () => {
      run.current += 1;
      if ('speechSynthesis' in window) window.speechSynthesis.cancel();
    },
    [],
  );

  return {
    state,
    sentence: at === null ? null : (sentences[at] ?? null),
    speak: () => {
      if (!('speechSynthesis' in window) || window.speechSynthesis.getVoices().length === 0) {
        // Voices are looked up late in some browsers: asked once more, a moment later, before giving up.
        if (!('speechSynthesis' in window)) setState('none');
        else
          setTimeout(() => {
            if (window.speechSynthesis.getVoices().length === 0) setState('none');
            else say(at ?? 0, rate);
          }, 400);
        return;
      }
      if (state === 'paused') {
        window.speechSynthesis.resume();
        setState('speaking');
      } else say(at ?? 0, rate);
    },
    pause: () => {
      window.speechSynthesis.pause();
      setState('paused');
    },
    stop,
    step: (by) => {
      if (at !== null) say(Math.max(0, Math.min(sentences.length - 1, at + by)), rate);
    },
    rate,
    setRate: (next) => {
      setRate(next);
      if (at !== null && state === 'speaking') say(at, next);
    },
  };
}
