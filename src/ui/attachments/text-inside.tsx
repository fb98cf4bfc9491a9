'use client';

import { useEffect, useState } from 'react';

const MOST = 65_536;

/** The beginning of a text file, as it is written. */
export function TextInside({ address, name }: { address: string; name: string }) {
  const [text, setText] = useState<string | null>('Opening…');
  useEffect(() => {
    const abort = new AbortController();
    fetch(address, { headers: { range: `bytes=0-${MOST - 1}` }, signal: abort.signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(`answered ${answer.status}`);
        const whole = Number(answer.headers.get('content-range')?.split('/')[1] ?? 0);
        setText((await answer.text()) + (whole > MOST ? '\n…' : ''));
      })
      .catch(() => {
        if (!abort.signal.aborted) setText(null);
      });
    return () => abort.abort();
  }, [address]);
  return text === null ? (
    <p className="mt-2">It could not be opened here. Save it to read it.</p>
  ) : (
    <pre
      tabIndex={0}
      role="group"
      aria-label={`Inside ${name}`}
      className="mt-2 max-h-[60vh] overflow-auto rounded-control bg-page p-3 font-mono text-[12.5px] whitespace-pre-wrap"
    >
      {text}
    </pre>
  );
}
