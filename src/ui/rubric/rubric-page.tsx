'use client';

import { estimateAt } from '@/contract/addresses';
import type { Check } from '@/core/checks/types';
import { pointsOf, type Criterion, type Levels, type Rubric } from '@/core/rubric/rubric';
import { QuietForm } from '../notes/note-form';
import { checkFigure, checkName } from '../words/checks';
import { plural } from '../words/plural';
import { useOfChecks, useWriting } from '../writing/writing-context';

function TouchingCheck({ id }: { id: Check['id'] }) {
  const { point, pointed } = useWriting();
  const check = useOfChecks((checks) => checks?.find((c) => c.id === id));
  return (
    <span
      onMouseEnter={() => point(id)}
      onMouseLeave={() => point(null)}
      className={pointed === id ? 'bg-mark' : ''}
    >
      {checkName(id)}
      {check ? (
        <b className={check.met ? 'text-pine-ink' : 'text-ochre-ink'}>
          {' '}
          {checkFigure(check)} {check.met ? '✓' : '!'}
          <span className="sr-only">{check.met ? ' met' : ' not met yet'}</span>
        </b>
      ) : null}
    </span>
  );
}

/** The checks that say something about a criterion, each with how it stands in the draft by now. */
const Touching = ({ criterion }: { criterion: Criterion }) =>
  criterion.checks.length ? (
    <p className="flex flex-wrap gap-x-2.5 gap-y-0.5 text-[12.5px] text-ink-2">
      <span>Checks:</span>
      {criterion.checks.map((id) => (
        <TouchingCheck key={id} id={id} />
      ))}
    </p>
  ) : null;

/** The rubric beside the prompt; before sharing each criterion takes what its writer thinks of it, seen by nobody else. */
export function RubricPage(props: {
  slug: string;
  rubric: Rubric;
  estimate: Levels | null;
  estimating: boolean;
}) {
  const { rubric, estimate, slug, estimating } = props;
  const total = pointsOf(rubric, estimate ?? {});
  const criteria = rubric.criteria.map((c) => (
    <fieldset key={c.id} className="border-t border-rule-soft py-2 first:border-t-0">
      <legend className="float-left w-full text-[13.5px] font-semibold">{c.title}</legend>
      <div className="clear-both">
        <Touching criterion={c} />
        <ul className="mt-1 grid gap-0.5">
          {c.levels.map((level, i) => {
            const words = (
              <>
                <b>{level.title}</b>{' '}
                <span className="whitespace-nowrap text-ink-2">{plural(level.points, 'point')}</span>
                {level.text ? (
                  <span className="block text-[12.5px] leading-snug text-ink-2">{level.text}</span>
                ) : null}
              </>
            );
            return (
              <li key={i} className="text-[13px]">
                {estimating ? (
                  <label className="flex min-h-7 items-start gap-2 py-0.5">
                    <input
                      type="radio"
                      name={c.id}
                      value={i}
                      defaultChecked={estimate?.[c.id] === i}
                      className="mt-1 size-4 shrink-0 accent-(--pine)"
                    />
                    <span>{words}</span>
                  </label>
                ) : (
                  <span className={`block py-0.5 ${estimate?.[c.id] === i ? 'bg-mark' : ''}`}>
                    {words}
                    {estimate?.[c.id] === i ? <b className="text-[12.5px]"> your own estimate</b> : null}
                  </span>
                )}
              </li>
            );
          })}
        </ul>
      </div>
    </fieldset>
  ));
  return (
    <section aria-labelledby="rubric" className="mt-4 border-t border-rule pt-3">
      <h3 id="rubric" className="text-[14px]">
        Rubric, {plural(total.of, 'point')}
      </h3>
      {estimating ? (
        <QuietForm action={estimateAt(slug)} label="What you think of your own text">
          {criteria}
          <p className="mt-1 flex flex-wrap items-center gap-2 text-[12.5px] text-ink-2">
            <button className="btn !min-h-8 !py-1">Keep my own estimate</button>
            <span role="status">
              {estimate && Object.keys(estimate).length
                ? `Yours: ${total.points} of ${total.of}${total.open ? `, ${total.open} open` : ''}.`
                : 'What do you think you would get?'}
            </span>
            <span>Only you see it; it will stand beside the mark.</span>
          </p>
        </QuietForm>
      ) : (
        criteria
      )}
    </section>
  );
}
