import type { MarkedStudent } from '@/contract/marks';
import { scoreOf, type Mark, type Scheme } from '@/core/marks/mark';
import type { Difference } from '@/core/marks/second';
import { scoreText, SECOND_NAMES, VERDICTS } from '../words/marks';

const side = (d: Difference, which: 'first' | 'second'): string => {
  if (d.code === 'criterion') return d[which] ?? 'nothing';
  if (d.code === 'points') return d[which] === null ? 'as the rubric says' : String(d[which]);
  const verdict = d[which];
  return verdict ? VERDICTS[verdict] : 'nothing';
};

/** The second reading beside the mark: where the two differ, and what shall stand. Until that is said the mark is not released. */
export function SecondRead({
  second,
  mark,
  scheme,
  take,
}: {
  second: NonNullable<MarkedStudent['second']>;
  mark: Mark;
  scheme: Scheme;
  /** Takes the second reading's over as the mark. */
  take: (part: Pick<Mark, 'levels' | 'points' | 'verdict'>) => void;
}) {
  const { reader, stage, mark: theirs, differences } = second;
  const told = (m: Mark) => scoreText(scoreOf(scheme, m, null), m.verdict);
  return (
    <section
      aria-label="Second reading"
      className={`grid gap-1.5 rounded-control px-3 py-2.5 text-[13.5px] ${stage === 'differs' ? 'bg-ochre-tint' : 'bg-page'}`}
    >
      <p>
        <b>Second reading by {reader}</b>: {SECOND_NAMES[stage]}
        {theirs ? `. ${reader} comes to ${told(theirs)}, this mark to ${told(mark)}.` : '.'}
      </p>
      {differences.length ? (
        <ul className="list-disc pl-5">
          {differences.map((d) => (
            <li key={d.code === 'criterion' ? d.id : d.code}>
              {d.code === 'criterion' ? d.title : d.code === 'points' ? 'Points' : 'Verdict'}: here “
              {side(d, 'first')}”, {reader} “{side(d, 'second')}”
            </li>
          ))}
        </ul>
      ) : null}
      {theirs?.remark.trim() ? (
        <p className="whitespace-pre-line">
          {reader} in general: “{theirs.remark.trim()}”
        </p>
      ) : null}
      {theirs?.comments.length ? (
        <ul className="list-disc pl-5">
          {theirs.comments.map((c) => (
            <li key={c.id}>
              On “{c.anchor.exact.slice(0, 60)}”:{' '}
              {c.body.trim() || (c.instead ? `better “${c.instead}”` : 'struck')}
            </li>
          ))}
        </ul>
      ) : null}
      {stage === 'differs' && theirs ? (
        <p className="flex flex-wrap gap-2">
          <button type="submit" name="do" value="let-stand" className="btn">
            Let this mark stand
          </button>
          <button
            type="button"
            className="btn hidden scripted:inline-flex"
            onClick={() => take({ levels: theirs.levels, points: theirs.points, verdict: theirs.verdict })}
          >
            Take the second over
          </button>
        </p>
      ) : null}
    </section>
  );
}
