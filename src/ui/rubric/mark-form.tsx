'use client';

import { marksAt } from '@/contract/addresses';
import type { Rubric } from '@/core/rubric/rubric';
import { QuietForm } from '../notes/note-form';
import { moment } from '../words/time';
import type { RubricSheet } from '@/contract/rubric';

/** For staff: the rubric for the open response. */
export function MarkForm(props: {
  slug: string;
  zone: string;
  marking: { rubric: Rubric; post: number; student: string; mark: RubricSheet['mark'] };
}) {
  const { rubric, post, student, mark } = props.marking;
  return (
    <details className="border-b border-rule bg-page-2 px-4 py-3 text-[13px] sm:px-5">
      <summary className="link min-h-6 w-fit">
        {mark
          ? `Marked by ${mark.marker}, ${moment(mark.markedAt, props.zone)}`
          : `Mark ${student}’s response by the rubric`}
      </summary>
      <QuietForm action={marksAt(props.slug)} className="mt-2 grid gap-2.5" label={`Mark for ${student}`}>
        <input type="hidden" name="post" value={post} />
        {rubric.criteria.map((c) => (
          <label key={c.id} className="grid gap-1 font-semibold">
            {c.title}
            <select
              className="field font-normal"
              name={c.id}
              defaultValue={mark?.levels[c.id] ?? ''}
              required
            >
              <option value="">choose a level</option>
              {c.levels.map((l, i) => (
                <option key={i} value={i}>
                  {l.title}, {l.points}
                </option>
              ))}
            </select>
          </label>
        ))}
        <label className="grid gap-1 font-semibold">
          A word to {student}
          <textarea
            className="field font-serif font-normal"
            name="comment"
            rows={3}
            defaultValue={mark?.comment ?? ''}
          />
        </label>
        <p>
          <button className="btn go">{mark ? 'Change the mark' : 'Give the mark'}</button>
        </p>
      </QuietForm>
    </details>
  );
}
