import type { Mark, Scheme } from '@/core/marks/mark';
import { scoreOf } from '@/core/marks/mark';
import { scoreText } from '../words/marks';
import type { MarkKeeper, Theirs } from './mark-keeper';

const told = (scheme: Scheme, mark: Mark) => scoreText(scoreOf(scheme, mark, null), mark.verdict);

/** Two wrote on one mark: what differs, and which of the two shall stand. Nothing is kept until that is said. */
export function TwoMarks({
  theirs,
  mine,
  scheme,
  keeper,
}: {
  theirs: Theirs;
  mine: Mark;
  scheme: Scheme;
  keeper: MarkKeeper;
}) {
  const criteria =
    scheme.by === 'rubric'
      ? scheme.rubric.criteria.filter((c) => theirs.mark.levels[c.id] !== mine.levels[c.id])
      : [];
  const name = (id: string, levels: Mark['levels']) =>
    (scheme.by === 'rubric'
      ? scheme.rubric.criteria.find((c) => c.id === id)?.levels[levels[id] ?? -1]?.title
      : null) ?? 'nothing';
  return (
    <div role="alert" className="rounded-control bg-brick-tint px-3 py-2.5 text-[13.5px]">
      <p className="font-semibold">
        {theirs.marker} wrote on this mark while you did: theirs comes to {told(scheme, theirs.mark)}, yours
        to {told(scheme, mine)}. Nothing of either is lost yet.
      </p>
      <ul className="my-1 list-disc pl-5">
        {criteria.map((c) => (
          <li key={c.id}>
            {c.title}: {theirs.marker} says “{name(c.id, theirs.mark.levels)}”, you say “
            {name(c.id, mine.levels)}”
          </li>
        ))}
        {theirs.mark.remark.trim() !== mine.remark.trim() ? (
          <li>In general, theirs: “{theirs.mark.remark.trim() || 'nothing'}”</li>
        ) : null}
      </ul>
      <p className="flex flex-wrap gap-2">
        <button type="button" className="btn" onClick={() => keeper.takeTheirs()}>
          Take theirs
        </button>
        <button type="button" className="btn" onClick={() => keeper.keepMine()}>
          Keep mine
        </button>
      </p>
    </div>
  );
}
