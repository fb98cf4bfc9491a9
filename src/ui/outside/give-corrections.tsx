import { useState } from 'react';
import type { Correction } from '@/core/outside/corrections';
import { fieldName, fieldValue } from '../words/outside';
import { plural } from '../words/plural';

/** What was put right, to be given on with a clear yes: exactly what would be kept stands there to be read. */
export function GiveCorrections({ corrections }: { corrections: Correction[] }) {
  const [yes, setYes] = useState(false);
  if (corrections.length === 0) return null;
  return (
    <div className="grid gap-1.5 border-t border-rule-soft px-4 py-3 text-[13.5px] sm:px-6">
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5 size-5 shrink-0 accent-pine"
          checked={yes}
          onChange={(e) => setYes(e.target.checked)}
        />
        <span>
          Give {plural(corrections.length, 'correction', 'corrections')} on, so that prompts are read better
          <span className="block text-[12.5px] text-ink-2">
            Kept without your name, the course or the rest of the prompt; your college can look at it and give
            it on.
          </span>
        </span>
      </label>
      <details>
        <summary className="w-fit cursor-pointer text-[12.5px] text-ink-2">What would be kept</summary>
        <ul className="mt-1 list-disc pl-5 text-[12.5px]">
          {corrections.map((c) => (
            <li key={c.field}>
              {fieldName(c.field)}: read {fieldValue(c.field, c.read)}, meant {fieldValue(c.field, c.meant)}{' '}
              <i className="font-serif">“{c.words}”</i>
            </li>
          ))}
        </ul>
      </details>
      {yes ? <input type="hidden" name="corrections" value={JSON.stringify(corrections)} /> : null}
    </div>
  );
}
