import Link from 'next/link';
import { deskBroughtMarksActAt, deskMarksTableAt } from '@/contract/addresses';
import type { BroughtLine, BroughtMarks } from '@/contract/marks';
import { tableProblemText, VERDICTS } from '../words/marks';
import { plural } from '../words/plural';

const said = (points: number | null, verdict: BroughtLine['verdicts'][0]) =>
  points !== null ? String(points) : verdict ? VERDICTS[verdict] : 'not whole';

function Changes({ title, lines, choose }: { title: string; lines: BroughtLine[]; choose: boolean }) {
  if (lines.length === 0) return null;
  return (
    <section aria-label={title}>
      <h3 className="mb-1 text-[16px]">{title}</h3>
      <div className="plate overflow-x-auto" tabIndex={0} role="group" aria-label={title}>
        <table className="w-full text-left text-[13.5px]">
          <thead className="border-b border-rule bg-page-2 text-[12.5px]">
            <tr>
              {[...(choose ? ['The file’s instead'] : []), 'Row', 'Student', 'Now', 'In the file'].map(
                (head) => (
                  <th key={head} scope="col" className="px-4 py-2 font-semibold">
                    {head}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => (
              <tr key={l.line} className="border-t border-rule-soft first:border-t-0">
                {choose ? (
                  <td className="px-4 py-1.5">
                    <input
                      type="checkbox"
                      name="over"
                      value={l.id}
                      aria-label={`The file’s mark for ${l.name}`}
                      className="size-5 accent-pine"
                    />
                  </td>
                ) : null}
                <td className="px-4 py-1.5 text-ink-2">{l.line}</td>
                <th scope="row" className="px-4 py-1.5 font-semibold">
                  {l.name}
                </th>
                <td className="px-4 py-1.5 tabular-nums">{said(l.before, l.verdicts[0])}</td>
                <td className="px-4 py-1.5 font-semibold tabular-nums">{said(l.after, l.verdicts[1])}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** A table of marks before it is taken over: what would change, whose mark was written on meanwhile, and what cannot be used. */
export function BroughtTable({ table }: { table: BroughtMarks }) {
  const { course, discussion, changes, same, problems } = table;
  const sound = changes.filter((l) => !l.over);
  const over = changes.filter((l) => l.over);
  return (
    <form
      action={deskBroughtMarksActAt(course.slug, discussion.slug, table.id)}
      method="post"
      className="grid max-w-4xl grid-cols-[minmax(0,1fr)] gap-4"
      aria-labelledby="brought"
    >
      <input type="hidden" name="stamp" value={table.stamp} />
      <div>
        <p className="text-[13px]">
          <Link className="link" href={deskMarksTableAt(course.slug, discussion.slug)}>
            Week {discussion.week}: {discussion.title}
          </Link>
        </p>
        <h2 id="brought" className="text-[21px]">
          {changes.length
            ? `“${table.file}” would change ${plural(changes.length, 'mark')}`
            : `“${table.file}” would change nothing`}
        </h2>
        <p className="text-[13.5px] text-ink-2">
          {same ? `${plural(same, 'line says', 'lines say')} what stands already. ` : ''}
          {problems.length ? `${plural(problems.length, 'line')} cannot be used. ` : ''}
          Nothing is changed yet, and what is taken over is seen by nobody before it is released.
        </p>
        <p className="mt-2 flex flex-wrap gap-2">
          {changes.length ? (
            <button type="submit" name="do" value="take" className="btn go">
              {over.length
                ? 'Take over the sound ones and the chosen'
                : `Take over ${plural(sound.length, 'mark')}`}
            </button>
          ) : null}
          <button type="submit" name="do" value="leave" className="btn">
            Leave the file alone
          </button>
        </p>
      </div>
      {over.length ? (
        <p className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px] font-medium">
          {plural(over.length, 'mark was', 'marks were')} written on since this file was saved. They stay as
          they are unless you choose the file’s.
        </p>
      ) : null}
      <Changes title="Written on since the file was saved" lines={over} choose />
      {problems.length ? (
        <section aria-labelledby="unusable">
          <h3 id="unusable" className="mb-1 text-[16px]">
            What cannot be used
          </h3>
          <ul className="plate max-h-[420px] overflow-auto text-[13.5px]" tabIndex={0}>
            {problems.map((p) => (
              <li key={p.line} className="border-t border-rule-soft px-4 py-2 first:border-t-0">
                <b>Row {p.line}</b> {p.who ? `(${p.who}) ` : ''}
                {tableProblemText(p.problem)}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <Changes title="What would change" lines={sound} choose={false} />
    </form>
  );
}
