import type { Disagreement } from '@/core/prompts/disagreements';
import { TriangleAlert } from 'lucide-react';
import { differenceText, disagreementText, UNCLEAR_STAFF, UNCLEAR_STUDENT } from '../words/disagreements';

/** Where a prompt's text and its confirmed rules are not the same, and what to keep to. */
export function Unclear({ found, staff }: { found: Disagreement[]; staff: boolean }) {
  if (found.length === 0) return null;
  return (
    <div role="note" className="mt-3 rounded-control bg-ochre-tint px-3 py-2 text-[13px] text-ink">
      <p className="flex items-center gap-1.5 font-semibold text-ochre-ink">
        <TriangleAlert size={14} aria-hidden />
        {staff ? 'Text and rules of this prompt differ' : 'Unclear in this prompt'}
      </p>
      {found.map((d) => (
        <p key={d.fact} className="mt-0.5">
          {staff ? differenceText(d) : disagreementText(d)}
        </p>
      ))}
      <p className="mt-0.5 text-ink-2">{staff ? UNCLEAR_STAFF : UNCLEAR_STUDENT}</p>
    </div>
  );
}
