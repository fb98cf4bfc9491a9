import Link from 'next/link';
import {
  deskBringMarksAt,
  deskMarkingActAt,
  deskMarkingAt,
  deskMarksFileAt,
  deskMarksTableAt,
} from '@/contract/addresses';
import type { MarksTable } from '@/contract/marks';
import type { Way } from '@/core/marks/mark';
import { plural } from '../words/plural';
import { Grid } from './grid';

function Head({ table, column, children }: { table: MarksTable; column: string; children: string }) {
  const { course, discussion, sort } = table;
  const here = sort.replace('-', '') === column;
  const up = sort === column;
  const next = up ? `-${column}` : column;
  return (
    <th
      scope="col"
      aria-sort={here ? (up ? 'ascending' : 'descending') : undefined}
      className="px-3 py-2 text-left align-bottom font-semibold"
    >
      <Link className="link" href={deskMarksTableAt(course.slug, discussion.slug, { sort: next })}>
        {children}
        {here ? <span aria-hidden>{up ? ' ↑' : ' ↓'}</span> : null}
      </Link>
    </th>
  );
}

const KEYS: Record<Way, string> = {
  rubric:
    'Arrows go from cell to cell, a digit says which level, Delete says none, Enter opens the cell. Kept as you go.',
  points: 'Arrows go from cell to cell; write the number and press Enter. Kept as you go.',
  verdict: 'Arrows go from cell to cell; 1 says done, 2 do again, Delete neither. Kept as you go.',
  remarks: 'Read and remarked on, without a mark: there is nothing to fill in here.',
};

/** The class by criteria, sortable by every column, with how the points are spread. */
export function MarksTableView({ table }: { table: MarksTable }) {
  const { course, discussion, scheme, spread } = table;
  const criteria = scheme.by === 'rubric' ? scheme.rubric.criteria : [];
  const at = (page: number) => deskMarksTableAt(course.slug, discussion.slug, { sort: table.sort, page });
  return (
    <section aria-labelledby="marks-table" className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
        <div>
          <p className="text-[13px]">
            <Link className="link" href={deskMarkingAt(course.slug, discussion.slug)}>
              Week {discussion.week}: {discussion.title}
            </Link>
          </p>
          <h2 id="marks-table" className="text-[21px]">
            Marks as a table
          </h2>
          <p id="marks-keys" className="hidden text-[13px] text-ink-2 scripted:block">
            {KEYS[scheme.by]}
          </p>
          {spread ? (
            <p className="text-[13px] text-ink-2">
              {plural(spread.n, 'mark')} written in full: from {spread.least} to {spread.most}, the middle one{' '}
              {spread.middle}, {spread.mean} on average.
            </p>
          ) : null}
        </div>
        <div className="flex flex-wrap gap-2">
          <a className="btn" href={deskMarksFileAt(course.slug, discussion.slug)} download>
            Save as a table (.csv)
          </a>
          <form id="chosen-marks" action={deskMarkingActAt(course.slug, discussion.slug)} method="post">
            <button type="submit" name="do" value="release-some" className="btn go">
              Release the chosen
            </button>
          </form>
        </div>
      </div>
      <div className="flex flex-wrap gap-x-8 gap-y-1 text-[13.5px]">
        <details>
          <summary className="link min-h-6 w-fit">Bring a table with marks</summary>
          <form
            action={deskBringMarksAt(course.slug, discussion.slug)}
            method="post"
            encType="multipart/form-data"
            className="mt-1.5 flex flex-wrap items-end gap-3"
          >
            <label className="grid gap-1 font-semibold">
              A file of comma-separated values (.csv), as it is saved here
              <input type="file" name="file" accept=".csv,text/csv" required className="field font-normal" />
            </label>
            <button type="submit" className="btn">
              See what it would change
            </button>
          </form>
        </details>
        {table.markers.length > 1 ? (
          <details>
            <summary className="link min-h-6 w-fit">Have the chosen read a second time</summary>
            <p className="mt-1 flex flex-wrap items-end gap-2">
              <label className="grid gap-1 font-semibold">
                By
                <select name="reader" form="chosen-marks" className="field font-normal">
                  {table.markers.map((m) => (
                    <option key={m.id} value={m.id}>
                      {m.name}
                    </option>
                  ))}
                </select>
              </label>
              <button type="submit" form="chosen-marks" name="do" value="second" className="btn">
                Ask for it
              </button>
              <button type="submit" form="chosen-marks" name="do" value="second-none" className="btn">
                Ask nobody
              </button>
            </p>
          </details>
        ) : null}
      </div>
      <div className="plate overflow-x-auto" tabIndex={0} role="group" aria-label="The table">
        <Grid key={`${table.sort} ${table.page}`} table={table}>
          <thead className="border-b border-rule bg-page-2">
            <tr>
              <Head table={table} column="name">
                Student
              </Head>
              <th scope="col" className="px-3 py-2 text-left align-bottom font-semibold">
                Counted
              </th>
              {criteria.map((c, i) => (
                <Head key={c.id} table={table} column={`c${i}`}>
                  {c.title}
                </Head>
              ))}
              {scheme.by === 'remarks' ? null : (
                <Head table={table} column="points">
                  {scheme.by === 'verdict'
                    ? 'Verdict'
                    : scheme.by === 'points'
                      ? 'Before the late rule'
                      : 'Points'}
                </Head>
              )}
              {scheme.by === 'points' ? (
                <th scope="col" className="px-3 py-2 text-left align-bottom font-semibold">
                  Points
                </th>
              ) : null}
              <Head table={table} column="state">
                State
              </Head>
            </tr>
          </thead>
        </Grid>
      </div>
      {table.pages > 1 ? (
        <nav aria-label="Pages of the table" className="flex items-center gap-3 text-[13.5px]">
          {table.page > 1 ? (
            <Link className="btn" href={at(table.page - 1)}>
              Earlier
            </Link>
          ) : null}
          <span>
            Page {table.page} of {table.pages}, {plural(table.total, 'student')}
          </span>
          {table.page < table.pages ? (
            <Link className="btn" href={at(table.page + 1)}>
              Later
            </Link>
          ) : null}
        </nav>
      ) : null}
    </section>
  );
}
