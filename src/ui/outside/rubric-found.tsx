import { useState } from 'react';
import { pointsOf, type Rubric } from '@/core/rubric/rubric';
import { plural } from '../words/plural';
import { Group } from './brief-groups';

/** The rubric that stands in a prompt as it was read, to be kept beside it or left. */
export function RubricFound({ found, taken }: { found: Rubric; taken: boolean }) {
  const [keep, setKeep] = useState(taken);
  const { criteria } = found;
  return (
    <Group title="The rubric">
      <input type="hidden" name="rubric-shown" value="1" />
      <label className="flex items-start gap-2 text-[13.5px]">
        <input
          type="checkbox"
          name="rubric"
          className="mt-0.5 size-5 shrink-0 accent-pine"
          checked={keep}
          onChange={(e) => setKeep(e.target.checked)}
        />
        <span>
          Keep the table of this prompt as its rubric: {plural(criteria.length, 'criterion', 'criteria')},{' '}
          {plural(pointsOf(found, {}).of, 'point', 'points')}
          <span className="block text-[12.5px] text-ink-2">
            It stands beside your response, and you can say before sharing how you would mark it yourself.
          </span>
        </span>
      </label>
      <details>
        <summary className="w-fit cursor-pointer text-[12.5px] text-ink-2">How it was read</summary>
        <ul className="mt-1 list-disc pl-5 text-[12.5px]">
          {criteria.map((c) => (
            <li key={c.id}>
              <b>{c.title}</b>: {c.levels.map((l) => `${l.title} ${l.points}`).join(' · ')}
            </li>
          ))}
        </ul>
      </details>
    </Group>
  );
}
