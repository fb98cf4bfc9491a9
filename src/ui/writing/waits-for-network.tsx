'use client';

import type { Editor } from '@tiptap/core';
import { useEffect, useRef } from 'react';

/** A server that does not answer is asked again after this long; a network that comes back is used at once. */
const AGAIN_MS = 15_000;

/**
 * A share that nobody answered goes out as soon as somebody does, as long as its page is open and its text stays as it was when it was
 * pressed. Whoever goes on writing has not finished, and presses again.
 */
export function WaitsForNetwork(props: {
  editor: Editor;
  again: () => boolean;
  stop: () => void;
  /** Whether it still goes out by itself: pressed anew, it does again, however soon that failed. */
  isWaiting: boolean;
}) {
  const { editor } = props;
  const { stop } = props;
  const wentOn = !props.isWaiting;
  /** The text may have been changed on another machine before this page was loaded: then it is not sent. */
  const again = () => {
    if (!props.again()) stop();
  };
  const latest = useRef({ again, stop });
  useEffect(() => {
    latest.current = { again, stop };
  });
  useEffect(() => {
    if (wentOn) return undefined;
    const tryAgain = () => latest.current.again();
    const changed = () => {
      // What is put in by itself, from this machine's copy or another window, is not somebody going on.
      if (editor.isFocused) latest.current.stop();
    };
    editor.on('update', changed);
    window.addEventListener('online', tryAgain);
    const timer = setInterval(tryAgain, AGAIN_MS);
    return () => {
      editor.off('update', changed);
      window.removeEventListener('online', tryAgain);
      clearInterval(timer);
    };
  }, [editor, wentOn]);
  return (
    <div role="alert" className="mb-2 rounded-control bg-ochre-tint px-3 py-2">
      {wentOn ? (
        <p>
          <b>Not shared, and kept.</b> The text is another one by now: press the button again when it is
          ready.
        </p>
      ) : (
        <>
          <p>
            <b>Nobody answered, so it is not shared yet. It is kept, and goes out by itself</b> as soon as
            there is a network, as long as this page is open. What counts is the server’s clock when it
            arrives, and it can never be shared twice.
          </p>
          <p className="mt-1.5 flex flex-wrap gap-2">
            <button type="button" className="btn" onClick={again}>
              Try now
            </button>
            <button type="button" className="btn" onClick={stop}>
              Do not share it yet
            </button>
          </p>
        </>
      )}
    </div>
  );
}
