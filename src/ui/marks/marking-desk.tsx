'use client';

import { useCallback, useState } from 'react';
import type { MarkingPage, MarkLine } from '@/contract/marks';
import { scoreOf, type Mark } from '@/core/marks/mark';
import { HowMarked } from './how-marked';
import { KeysAhead } from './keys-ahead';
import { MarkingHead } from './marking-head';
import { OneStudent } from './one-student';
import { stateNow } from './state-now';
import { Strip } from './strip';

/** A line of the strip as the page has it now: marks are kept while one goes on to the next student. */
function lineNow(page: MarkingPage, line: MarkLine, mark: Mark | undefined): MarkLine {
  if (!mark) return line;
  const score = scoreOf(page.scheme, mark, line.id === page.one?.id ? page.one.late : null);
  return {
    ...line,
    points: score.open ? null : score.points,
    verdict: page.scheme.by === 'verdict' ? mark.verdict : null,
    state: stateNow(line.state, mark, score),
  };
}

const isWritten = ({ state }: MarkLine) => state === 'written' || state === 'released' || state === 'changed';
const isReady = ({ state, second }: MarkLine) =>
  (state === 'written' || state === 'changed') && second !== 'asked' && second !== 'differs';

/** A mark and a second reading of one student are two. */
const seenAs = ({ look }: MarkingPage, person: string) => `${person} ${look.second}`;

/** The class above, one student's part on the left page, the mark on the right. */
export function MarkingDesk({ page }: { page: MarkingPage }) {
  const { one } = page;
  const [remarks, setRemarks] = useState<readonly string[]>(page.remarks);
  const [ahead] = useState(() => new KeysAhead());
  const changeRemark = (index: number, body: string) =>
    setRemarks((all) => all.map((r, i) => (i === index ? body : r)));
  const [marks, setMarks] = useState<Readonly<Record<string, Mark>>>({});
  const person = one?.id;
  const told = useCallback(
    (mark: Mark) => person && setMarks((all) => ({ ...all, [seenAs(page, person)]: mark })),
    [person, page],
  );
  const lines = page.lines.map((line) => lineNow(page, line, marks[seenAs(page, line.id)]));
  // Of a large class only those around are here: what is counted is the server's, and what changed since in these.
  const since = (is: (line: MarkLine) => boolean) => lines.filter(is).length - page.lines.filter(is).length;
  const written = page.written + since(isWritten);
  const ready = page.ready + since(isReady);
  return (
    <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3 [--above:362px]">
      <MarkingHead page={{ ...page, lines, written }} ready={ready} />
      <Strip page={{ ...page, lines }} />
      {one ? (
        <OneStudent
          key={`${one.id} ${page.look.second}`}
          page={page}
          one={one}
          told={told}
          remarks={remarks}
          changeRemark={changeRemark}
          ahead={ahead}
        />
      ) : (
        <p className="plate px-5 py-4">
          {page.look.second ? 'No second reading is yours here.' : 'Nobody is in this class yet.'}
        </p>
      )}
      {page.look.second ? null : <HowMarked page={page} />}
    </div>
  );
}
