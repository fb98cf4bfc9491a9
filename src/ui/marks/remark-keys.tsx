'use client';

import { useState } from 'react';
import { keepingRemark } from '@/contract/marks';
import { LONGEST_KEPT_REMARK, REMARK_KEYS } from '@/core/marks/kept-remarks';
import { call } from '../request/call';

/** One's own short remarks, each under a digit: Alt and the digit put it where one writes. Kept as each is left. */
export function RemarkKeys({
  course,
  remarks,
  change,
  put,
}: {
  course: string;
  remarks: readonly string[];
  change: (index: number, body: string) => void;
  put: (body: string) => void;
}) {
  const [trouble, setTrouble] = useState(false);
  const keep = async (key: number, body: string) =>
    setTrouble(!(await call(keepingRemark, { course }, { key, body })).ok);
  return (
    <details className="hidden text-[13px] scripted:block">
      <summary className="link min-h-6 w-fit">Remarks you write again and again</summary>
      <p className="mt-1 text-ink-2">
        <kbd>Alt</kbd> with the digit puts one where you write; on a selected passage it begins a comment.
      </p>
      <ol className="mt-1.5 grid gap-1.5">
        {REMARK_KEYS.map((key, i) => (
          <li key={key} className="flex items-center gap-2">
            <kbd>{key}</kbd>
            <input
              className="field min-w-0 grow !py-1 text-[13px]"
              aria-label={`Remark ${key}`}
              maxLength={LONGEST_KEPT_REMARK}
              value={remarks[i] ?? ''}
              onChange={(e) => change(i, e.target.value)}
              onBlur={(e) => void keep(key, e.target.value)}
            />
            <button
              type="button"
              className="btn"
              disabled={!remarks[i]?.trim()}
              aria-label={`Put remark ${key} in`}
              onClick={() => put(remarks[i] ?? '')}
            >
              Put in
            </button>
          </li>
        ))}
      </ol>
      {trouble ? (
        <p role="alert" className="mt-1 font-medium text-brick">
          That remark was not kept. It is still here; leave its field again in a moment.
        </p>
      ) : null}
    </details>
  );
}
