'use client';

import Link from 'next/link';
import { memo } from 'react';
import { deskMarkingAt } from '@/contract/addresses';
import type { MarkRow, MarksTable } from '@/contract/marks';
import { EMPTY_MARK, scoreOf, type Mark } from '@/core/marks/mark';
import { Tally } from '../tally/tally';
import { SECOND_NAMES, STATE_NAMES, VERDICTS } from '../words/marks';
import { GridCell } from './grid-cell';
import { stateNow } from './state-now';
import { TwoMarks } from './two-marks';
import { sendPart, useMark } from './use-mark';

const VERDICT_ORDER = ['done', 'again'] as const;
const NOT_KEPT = { kept: null, keeping: null, trying: 'no connection, trying again', refused: 'not kept' };

/** One student's line: what is said in it is kept a moment later, beside all else that their mark says. */
export const GridRow = memo(function GridRow({
  table,
  row,
  index,
  column,
}: {
  table: MarksTable;
  row: MarkRow;
  index: number;
  /** The column the arrows are in; null where they are in another line. */
  column: number | null;
}) {
  const { course, discussion, scheme } = table;
  const place = { course: course.slug, slug: discussion.slug, person: row.id };
  const { keeper, mark, state, theirs } = useMark(
    place,
    { mark: { ...EMPTY_MARK, ...row.mark, override: row.override }, revision: row.revision },
    sendPart,
  );
  const touched = mark !== keeper.opened;
  const score = scoreOf(scheme, mark, row.late);
  const points = score.open === 0 ? score.points : null;
  const stands = touched ? stateNow(row.state, mark, score) : row.state;
  const change = (part: Partial<Mark>) => keeper.change(part);
  const criteria = scheme.by === 'rubric' ? scheme.rubric.criteria : [];
  const cell = (i: number) => ({
    closed: row.state === 'held',
    current: column === i,
    at: { row: index, column: i },
  });
  const trouble = NOT_KEPT[state];
  return (
    <>
      <tr
        className="border-t border-rule-soft first:border-t-0"
        // What the line says is not all on the server yet.
        aria-busy={state === 'keeping' || state === 'trying'}
      >
        <th scope="row" className="px-3 py-1.5 text-left font-semibold">
          <span className="flex items-center gap-2.5">
            <input
              type="checkbox"
              name="person"
              value={row.id}
              form="chosen-marks"
              aria-label={`Choose ${row.name}`}
              className="size-5 shrink-0 accent-pine"
            />
            <Link
              className="link inline-flex min-h-6 items-center"
              prefetch={false}
              href={deskMarkingAt(course.slug, discussion.slug, { student: row.id })}
            >
              {row.name}
            </Link>
          </span>
        </th>
        <td className="px-3 py-1.5">
          <Tally ledger={row.balance} />
        </td>
        {criteria.map((c, i) => {
          const level = mark.levels[c.id] ?? null;
          const chosen = level === null ? null : c.levels[level];
          return (
            <GridCell
              key={c.id}
              name={`${c.title}, ${row.name}`}
              kind={{
                choices: c.levels.map((l, n) => ({ value: n, text: `${n + 1}: ${l.points}, ${l.title}` })),
              }}
              value={level}
              shown={chosen ? String(chosen.points) : '–'}
              say={(to) => {
                const rest = Object.entries(mark.levels).filter(([id]) => id !== c.id);
                change({ levels: Object.fromEntries(to === null ? rest : [...rest, [c.id, to]]) });
              }}
              {...cell(i)}
            />
          );
        })}
        {scheme.by === 'points' ? (
          <GridCell
            name={`Points, ${row.name}`}
            kind="number"
            value={mark.points}
            shown={mark.points === null ? '–' : String(mark.points)}
            say={(to) => change({ points: to })}
            {...cell(0)}
          />
        ) : null}
        {scheme.by === 'verdict' ? (
          <GridCell
            name={`Verdict, ${row.name}`}
            kind={{ choices: VERDICT_ORDER.map((v, n) => ({ value: n, text: VERDICTS[v] })) }}
            value={mark.verdict === null ? null : VERDICT_ORDER.indexOf(mark.verdict)}
            shown={mark.verdict === null ? '–' : VERDICTS[mark.verdict]}
            say={(to) => change({ verdict: to === null ? null : (VERDICT_ORDER[to] ?? null) })}
            {...cell(0)}
          />
        ) : null}
        {scheme.by === 'rubric' || scheme.by === 'points' ? (
          <td className="px-3 py-1.5 tabular-nums">
            <b>{points ?? '–'}</b>
            {points !== null && score.taken ? (
              <span className="text-ink-2"> (late: {score.taken} off)</span>
            ) : null}
            {mark.override ? <span className="text-ink-2"> (by hand)</span> : null}
          </td>
        ) : null}
        <td className="px-3 py-1.5 text-ink-2">
          {trouble ? <b className="text-brick">{trouble}</b> : STATE_NAMES[stands]}
          {row.second ? (
            <span className={`block ${row.second.stage === 'differs' ? 'font-semibold text-ochre-ink' : ''}`}>
              second reading by {row.second.reader}: {SECOND_NAMES[row.second.stage]}
            </span>
          ) : null}
          {row.marker ? <span className="block text-[12.5px]">{row.marker}’s share</span> : null}
        </td>
      </tr>
      {theirs ? (
        <tr>
          <td colSpan={99} className="px-3 pb-2">
            <TwoMarks theirs={theirs} mine={mark} scheme={scheme} keeper={keeper} />
          </td>
        </tr>
      ) : null}
    </>
  );
});
