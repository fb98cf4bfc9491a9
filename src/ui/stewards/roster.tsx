import { rosterActAt, stewardsCourseAt } from '@/contract/addresses';
import Link from 'next/link';
import type { RosterPage } from '@/contract/stewards';
import { rosterProblemText } from '../words/people';
import { plural } from '../words/plural';
import { Plate } from './frame';

/** What was read of a roster: how many can be invited, and every line that cannot be used. Nobody is invited before one says so. */
export function Roster({ roster }: { roster: RosterPage }) {
  const { sound, problems, sample, course } = roster;
  return (
    <div className="grid gap-5">
      <section aria-label="What to do with it" className="plate border-l-4 border-l-pine px-5 py-4">
        <p className="text-[16px]">
          <b>{plural(sound, 'line')}</b> of “{roster.name}” can be taken
          {problems.length ? `, ${plural(problems.length, 'line')} cannot.` : '.'} Nobody has been invited
          yet.
        </p>
        <form action={rosterActAt(roster.id)} method="post" className="mt-3 flex flex-wrap gap-2">
          {sound ? (
            <button type="submit" name="act" value="take" className="btn go">
              {problems.length
                ? `Take the ${sound} sound ones`
                : `Take ${sound === 1 ? 'it' : `all ${sound}`}`}
            </button>
          ) : null}
          <button type="submit" name="act" value="leave" className="btn">
            Leave the whole file alone
          </button>
          <Link className="btn" href={stewardsCourseAt(course.id)}>
            Back to {course.code}
          </Link>
        </form>
      </section>
      {problems.length ? (
        <Plate id="problems" title="What cannot be used">
          <ul className="max-h-[420px] overflow-auto" tabIndex={0} aria-label="Lines that cannot be used">
            {problems.map((l) => (
              <li key={l.line} className="border-t border-rule-soft px-5 py-2 first:border-t-0">
                <b>Row {l.line}</b> {l.problem ? rosterProblemText(l.problem) : ''}
                <span className="block text-[12.5px] break-all text-ink-2">
                  {[l.name, l.email].filter(Boolean).join(' · ') || 'empty'}
                </span>
              </li>
            ))}
          </ul>
        </Plate>
      ) : null}
      {sample.length ? (
        <Plate
          id="sample"
          title={sound > sample.length ? `The first ${sample.length} of ${sound}` : 'Who would be invited'}
        >
          <div className="overflow-x-auto">
            <table className="w-full text-left">
              <thead className="text-[12px] text-ink-2">
                <tr>
                  {['Row', 'Name', 'Mail address', 'As'].map((head) => (
                    <th key={head} scope="col" className="px-5 py-2 font-semibold">
                      {head}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {sample.map((l) => (
                  <tr key={l.line} className="border-t border-rule-soft">
                    <td className="px-5 py-2 text-ink-2">{l.line}</td>
                    <td className="px-5 py-2 font-semibold break-words">{l.name}</td>
                    <td className="px-5 py-2 break-all">{l.email}</td>
                    <td className="px-5 py-2">{l.role}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </Plate>
      ) : null}
    </div>
  );
}
