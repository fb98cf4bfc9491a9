import { useState } from 'react';
import { pointsOf, type Rubric } from '@/core/rubric/rubric';
import { plural } from '../words/plural';
import { Group } from './brief-groups';
import { TickWithMore } from './tick-with-more';

/** The rubric that stands in a prompt as it was read, to be kept beside it or left. */
export function RubricFound({ found, taken }: { found: Rubric; taken: boolean }) {
  const [keep, setKeep] = useState(taken);
  const { criteria } = found;
  return (
    <Group title="The rubric">
      <input type="hidden" name="rubric-shown" value="1" />
      <TickWithMore
        name="rubric"
        checked={keep}
        onChange={setKeep}
        label={
          <>
            Keep the table of this prompt as its rubric: {plural(criteria.length, 'criterion', 'criteria')},{' '}
            {plural(pointsOf(found, {}).of, 'point', 'points')}
          </>
        }
        meaning="It stands beside your response, and you can say before sharing how you would mark it yourself."
        more="How it was read"
      >
        {criteria.map((c) => (
          <li key={c.id}>
            <b>{c.title}</b>: {c.levels.map((l) => `${l.title} ${l.points}`).join(' · ')}
          </li>
        ))}
      </TickWithMore>
    </Group>
  );
}
