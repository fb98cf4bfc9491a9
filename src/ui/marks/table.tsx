import Link from 'next/link';
import { deskMarkingActAt, deskMarkingAt, deskMarksFileAt, deskMarksTableAt } from '@/contract/addresses';
import type { MarksTable } from '@/contract/marks';
import { Tally } from '../tally/tally';
import { STATE_NAMES, VERDICTS } from '../words/marks';
import { plural } from '../words/plural';

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

/** The class by criteria, sortable by every column, with how the points are spread. */
export function MarksTableView({ table }: { table: MarksTable }) {
  const { course, discussion, scheme, rows, spread } = table;
  const criteria = scheme.by === 'rubric' ? scheme.rubric.criteria : [];
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
          <form id="release-some" action={deskMarkingActAt(course.slug, discussion.slug)} method="post">
            <button type="submit" name="do" value="release-some" className="btn go">
              Release the chosen
            </button>
          </form>
        </div>
      </div>
      <div className="plate overflow-x-auto" tabIndex={0} role="group" aria-label="The table">
        <table className="w-full border-collapse text-[13.5px]">
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
              <Head table={table} column="points">
                {scheme.by === 'verdict' ? 'Verdict' : 'Points'}
              </Head>
              <Head table={table} column="state">
                State
              </Head>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.id} className="border-t border-rule-soft first:border-t-0">
                <th scope="row" className="flex items-center gap-2.5 px-3 py-1.5 text-left font-semibold">
                  <input
                    type="checkbox"
                    name="person"
                    value={r.id}
                    form="release-some"
                    aria-label={`Choose ${r.name}`}
                    disabled={r.state !== 'written' && r.state !== 'changed'}
                    className="size-5 shrink-0 accent-pine"
                  />
                  <Link
                    className="link inline-flex min-h-6 items-center"
                    prefetch={false}
                    href={deskMarkingAt(course.slug, discussion.slug, { student: r.id })}
                  >
                    {r.name}
                  </Link>
                </th>
                <td className="px-3 py-1.5">
                  <Tally ledger={r.balance} />
                </td>
                {criteria.map((c, i) => (
                  <td key={c.id} className="px-3 py-1.5 tabular-nums">
                    {r.levels[i] ?? '–'}
                  </td>
                ))}
                <td className="px-3 py-1.5 tabular-nums">
                  {scheme.by === 'verdict' ? (
                    r.verdict ? (
                      VERDICTS[r.verdict]
                    ) : (
                      '–'
                    )
                  ) : (
                    <>
                      <b>{r.points ?? '–'}</b>
                      {r.taken ? <span className="text-ink-2"> (late: {r.taken} off)</span> : null}
                    </>
                  )}
                </td>
                <td className="px-3 py-1.5 text-ink-2">{STATE_NAMES[r.state]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
