'use client';

import Link from 'next/link';
import { useCallback, useState } from 'react';
import { deskDiscussionAt, deskMarkingActAt, deskMarksTableAt } from '@/contract/addresses';
import type { MarkingPage, MarkLine } from '@/contract/marks';
import { scoreOf, type Mark } from '@/core/marks/mark';
import { plural } from '../words/plural';
import { worthText } from '../words/marks';
import { markingAt } from './address';
import { HowMarked } from './how-marked';
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

/** The class above, one student's part on the left page, the mark on the right. */
export function MarkingDesk({ page }: { page: MarkingPage }) {
  const { course, discussion, one } = page;
  const [marks, setMarks] = useState<Readonly<Record<string, Mark>>>({});
  const person = one?.id;
  const told = useCallback(
    (mark: Mark) => person && setMarks((all) => ({ ...all, [person]: mark })),
    [person],
  );
  const lines = page.lines.map((line) => lineNow(page, line, marks[line.id]));
  const written = lines.filter((l) => ['written', 'released', 'changed'].includes(l.state)).length;
  const ready = lines.filter((l) => l.state === 'written' || l.state === 'changed').length;
  return (
    <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3 [--above:362px]">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="min-w-0">
          <p className="text-[13px]">
            <Link className="link" href={deskDiscussionAt(course.slug, discussion.slug)}>
              Week {discussion.week}: {discussion.title}
            </Link>{' '}
            · {worthText(page.scheme)}
          </p>
          <h2 className="text-[21px]">
            Marks, {written} of {lines.length} written,{' '}
            {page.released ? `${page.released} released` : 'none released'}
          </h2>
        </div>
        <div className="ml-auto flex flex-wrap items-center gap-3 text-[13px]">
          <span className="text-ink-2">kept as you go · students see nothing until you release</span>
          <Link className="btn" href={markingAt({ ...page, covered: !page.covered }, one?.id ?? null)}>
            {page.covered ? 'Show names' : 'Cover names'}
          </Link>
          <Link className="btn" href={deskMarksTableAt(course.slug, discussion.slug)}>
            As a table
          </Link>
          <form action={deskMarkingActAt(course.slug, discussion.slug)} method="post">
            {one ? <input type="hidden" name="student" value={one.id} /> : null}
            {page.covered ? <input type="hidden" name="covered" value="yes" /> : null}
            <button type="submit" name="do" value="release" className="btn go" disabled={ready === 0}>
              {ready ? `Release ${plural(ready, 'mark')}` : 'Nothing to release'}
            </button>
          </form>
        </div>
      </div>
      <Strip page={{ ...page, lines }} />
      {one ? (
        <OneStudent key={one.id} page={page} one={one} told={told} />
      ) : (
        <p className="plate px-5 py-4">Nobody is in this class yet.</p>
      )}
      <HowMarked page={page} />
    </div>
  );
}
