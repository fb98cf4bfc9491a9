import { useState } from 'react';
import type { Correction } from '@/core/outside/corrections';
import { fieldName, fieldValue } from '../words/outside';
import { plural } from '../words/plural';
import { TickWithMore } from './tick-with-more';

/** What was put right, to be given on with a clear yes: exactly what would be kept stands there to be read. */
export function GiveCorrections({ corrections }: { corrections: Correction[] }) {
  const [yes, setYes] = useState(false);
  if (corrections.length === 0) return null;
  return (
    <div className="grid gap-1.5 border-t border-rule-soft px-4 py-3 text-[13.5px] sm:px-6">
      <TickWithMore
        checked={yes}
        onChange={setYes}
        label={
          <>
            Give {plural(corrections.length, 'correction', 'corrections')} on, so that prompts are read better
          </>
        }
        meaning="Kept without your name, the course or the rest of the prompt; your college can look at it and give it on."
        more="What would be kept"
      >
        {corrections.map((c) => (
          <li key={c.field}>
            {fieldName(c.field)}: read {fieldValue(c.field, c.read)}, meant {fieldValue(c.field, c.meant)}{' '}
            <i className="font-serif">“{c.words}”</i>
          </li>
        ))}
      </TickWithMore>
      {yes ? <input type="hidden" name="corrections" value={JSON.stringify(corrections)} /> : null}
    </div>
  );
}
