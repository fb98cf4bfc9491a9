import { pointsOf, type Levels, type Rubric } from '@/core/rubric/rubric';
import { moment } from '../words/time';
import type { RubricSheet } from '@/contract/rubric';

const levelText = (rubric: Rubric, levels: Levels | null, id: string) => {
  const level = rubric.criteria.find((c) => c.id === id)?.levels[levels?.[id] ?? -1];
  return level ? `${level.title}, ${level.points}` : '–';
};

/** The mark by the rubric with what its student thought before sharing next to it, criterion by criterion. */
export function MarkWithEstimate({ sheet, zone }: { sheet: RubricSheet; zone: string }) {
  const { rubric, estimate, mark } = sheet;
  const given = mark && pointsOf(rubric, mark.levels);
  const own = estimate && pointsOf(rubric, estimate);
  return (
    <section aria-labelledby="mark" className="mt-6 border-t border-rule pt-4">
      <h3 id="mark" className="text-[16px]">
        {given ? `Your mark: ${given.points} of ${given.of}` : 'No mark yet'}
      </h3>
      {mark ? (
        <p className="text-[13px] text-ink-2">
          By {mark.marker}, {moment(mark.markedAt, zone)}
        </p>
      ) : (
        <p className="text-[13px] text-ink-2">
          Mark and feedback will stand here once your instructor has given them.
        </p>
      )}
      <div
        className="mt-2 max-w-full overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Mark by criterion"
      >
        <table className="w-full border-collapse text-[13px]">
          <thead>
            <tr className="text-left text-ink-3">
              <th scope="col" className="py-1 pr-3 font-semibold">
                Criterion
              </th>
              <th scope="col" className="py-1 pr-3 font-semibold">
                You thought
              </th>
              <th scope="col" className="py-1 font-semibold">
                Mark
              </th>
            </tr>
          </thead>
          <tbody>
            {rubric.criteria.map((c) => (
              <tr key={c.id} className="border-t border-rule-soft align-top">
                <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
                  {c.title}
                </th>
                <td className="py-1.5 pr-3">{levelText(rubric, estimate, c.id)}</td>
                <td className="py-1.5">{levelText(rubric, mark?.levels ?? null, c.id)}</td>
              </tr>
            ))}
            <tr className="border-t border-rule font-semibold">
              <th scope="row" className="py-1.5 pr-3 text-left">
                Together
              </th>
              <td className="py-1.5 pr-3">{own ? `${own.points} of ${own.of}` : '–'}</td>
              <td className="py-1.5">{given ? `${given.points} of ${given.of}` : '–'}</td>
            </tr>
          </tbody>
        </table>
      </div>
      {mark?.comment ? (
        <p className="mt-3 font-serif text-[15.5px] whitespace-pre-line">{mark.comment}</p>
      ) : null}
    </section>
  );
}
