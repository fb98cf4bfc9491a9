'use client';

import { unfinishedClips, type Unfinished as Recording } from '@/contract/files';
import { call } from '../request/call';
import type { StoredFile } from '@/core/document/attachments';
import { useEffect, useState } from 'react';
import { sizeText } from '../words/files';
import { clipTrouble } from '../words/clips';
import { Refused } from '../attachments/asking';
import { dropClip, finishClip } from './sending-clip';

/** Recordings that never came to an end: the tab was closed, or the machine went off. What had come in is here. */
export function Unfinished(props: {
  course: string;
  put: (file: StoredFile, title: string) => void;
  /** Looked for again when this changes. */
  now: number;
}) {
  const { course, now } = props;
  const [left, setLeft] = useState<readonly Recording[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    void call(unfinishedClips, { course }, null).then((answer) => {
      if (!gone && answer.ok) setLeft(answer.value.clips);
    });
    return () => {
      gone = true;
    };
  }, [course, now]);
  const forget = (id: string) => setLeft((all) => all.filter((l) => l.id !== id));
  const use = async (clip: Recording) => {
    setTrouble(null);
    try {
      // How long it is nobody knows before it is made.
      const said = { title: '', captions: '', from: 0, to: null, ms: 0 };
      const file = await finishClip(clip.id, said, new AbortController().signal);
      forget(clip.id);
      props.put(file, '');
    } catch (error) {
      setTrouble(clipTrouble(error instanceof Refused ? error.code : 'no-answer'));
    }
  };
  if (left.length === 0) return null;
  return (
    <ul className="mt-3 grid gap-1.5" aria-label="Recordings that were not finished">
      {left.map((clip) => (
        <li
          key={clip.id}
          className="flex flex-wrap items-center gap-2 rounded-control border border-rule bg-page px-3 py-1.5 text-[13px]"
        >
          <span className="grow">
            A recording of yours was not finished. {sizeText(clip.bytes)} of it came in, with{' '}
            {clip.video ? 'picture and sound' : 'sound only'}.
          </span>
          <button type="button" className="btn !min-h-8 !py-1" onClick={() => void use(clip)}>
            Use what there is
          </button>
          <button
            type="button"
            className="btn !min-h-8 !py-1"
            onClick={() => {
              forget(clip.id);
              void dropClip(clip.id);
            }}
          >
            Throw it away
          </button>
        </li>
      ))}
      {trouble ? (
        <li role="alert" className="text-[13px] font-medium text-brick">
          {trouble}
        </li>
      ) : null}
    </ul>
  );
}
