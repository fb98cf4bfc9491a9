import { TriangleAlert } from 'lucide-react';
import type { Contradiction } from '@/core/syllabus/contradictions';
import { contradictionText, WHICH_COUNTS } from '../words/contradictions';

/** Where a discussion says other than its syllabus, and which of the two counts. */
export function Contradicted({ found }: { found: Contradiction[] }) {
  if (found.length === 0) return null;
  return (
    <div role="note" className="mt-2 rounded-control bg-ochre-tint px-3 py-2 text-[13px] text-ink">
      <p className="flex items-center gap-1.5 font-semibold text-ochre-ink">
        <TriangleAlert size={14} aria-hidden /> Not what the syllabus says
      </p>
      {found.map((c) => (
        <p key={c.code} className="mt-0.5">
          {contradictionText(c)}
        </p>
      ))}
      <p className="mt-0.5 text-ink-2">{WHICH_COUNTS}</p>
    </div>
  );
}
