'use client';

import { questionActAt } from '@/contract/addresses';
import type { SavedAnswer } from '@/contract/questions';
import type { Doc } from '@/core/document/nodes';
import { QuietForm } from '../notes/note-form';

/** Answers one keeps, each put below what is written by a press. */
export function SavedAnswers({
  course,
  number,
  saved,
  take,
}: {
  course: string;
  number: number;
  saved: readonly SavedAnswer[];
  take: (doc: Doc) => void;
}) {
  if (saved.length === 0) return null;
  return (
    <details className="border-b border-rule-soft px-4 py-2 text-[13px] sm:px-5">
      <summary className="link min-h-6 w-fit">Your saved answers</summary>
      <ul className="mt-1 grid max-h-48 gap-1 overflow-auto">
        {saved.map((s) => (
          <li key={s.id} className="flex items-center gap-3">
            <span className="min-w-0 grow truncate">{s.title}</span>
            <button
              type="button"
              className="link hidden min-h-6 shrink-0 scripted:inline"
              onClick={() => take(s.doc)}
            >
              Put it in<span className="sr-only">: {s.title}</span>
            </button>
            <QuietForm action={questionActAt(course, number)} className="contents">
              <input type="hidden" name="saved" value={s.id} />
              <button className="link min-h-6 shrink-0 text-ink-2" name="act" value="drop-saved">
                Drop<span className="sr-only">: {s.title}</span>
              </button>
            </QuietForm>
          </li>
        ))}
      </ul>
    </details>
  );
}
