'use client';

import { useState } from 'react';
import { replyingWell, type ReplySubstance } from '@/contract/progress';
import { call } from '../request/call';
import { substanceText } from '../words/progress';
import { Plot } from './plot';

type State = 'closed' | 'asking' | 'trouble' | ReplySubstance[];

/** How substantive one's own replies were, week by week. Worked out when it is asked for, and shown to nobody else. */
export function SubstanceChart() {
  const [state, setState] = useState<State>('closed');
  const ask = async () => {
    setState('asking');
    const answer = await call(replyingWell, {}, null);
    setState(answer.ok ? answer.value.weeks : 'trouble');
  };
  const weeks = Array.isArray(state) ? [...new Set(state.map((w) => w.week))] : [];
  const sum = (of: 'substantive' | 'fair' | 'thin') =>
    weeks.map((week) =>
      Array.isArray(state) ? state.filter((w) => w.week === week).reduce((n, w) => n + w[of], 0) : 0,
    );
  return (
    <figure className="hidden rounded-control border border-rule bg-page px-3.5 py-3 scripted:block">
      <figcaption>
        <h2 className="text-[15px]">What your replies said</h2>
      </figcaption>
      {state === 'closed' || state === 'trouble' ? (
        <button type="button" className="btn mt-1" onClick={() => void ask()}>
          Look at my replies
        </button>
      ) : null}
      {weeks.length ? (
        <Plot
          type="bar"
          height={180}
          series={[
            { name: 'move the talk on', data: sum('substantive') },
            { name: 'something', data: sum('fair') },
            { name: 'little', data: sum('thin') },
          ]}
          options={{
            chart: { stacked: true },
            colors: ['var(--pine)', 'var(--ochre)', 'var(--rule)'],
            plotOptions: { bar: { columnWidth: '55%' } },
            xaxis: { categories: weeks.map(String), title: { text: 'week' } },
            yaxis: { decimalsInFloat: 0, forceNiceScale: true },
          }}
        />
      ) : null}
      <p role="status" className="mt-1 text-[13px] text-ink-2">
        {state === 'asking'
          ? 'Reading them…'
          : state === 'trouble'
            ? 'They could not be read just now. Try again in a moment.'
            : Array.isArray(state)
              ? substanceText(state)
              : 'Judged as beside your text while you write. Only you see this.'}
      </p>
    </figure>
  );
}
