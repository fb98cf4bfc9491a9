'use client';

import Link from 'next/link';
import { useActionState, useState, type FormEvent } from 'react';
import { deskDiscussionAt, deskRubricAt } from '@/contract/addresses';
import type { DeskRubricPage } from '@/contract/desk';
import {
  fieldOf,
  levelFieldOf,
  MOST_CRITERIA,
  MOST_LEVELS,
  rubricOfForm,
  type RubricProblem,
} from '@/core/rubric/form';
import { pointsOf } from '@/core/rubric/rubric';
import { plural } from '../words/plural';

export type RubricState = {
  fields: Record<string, string>;
  problems: RubricProblem[];
  code: 'rubric' | 'not-sure' | 'has-marks' | null;
};
export type RubricAction = (before: RubricState, form: FormData) => Promise<RubricState>;

const PROBLEMS: Record<RubricProblem['code'], string> = {
  untitled: 'A criterion and each of its levels need a title.',
  'few-levels': 'A criterion needs at least two levels.',
  'no-points': 'Each level needs its points: a number such as 4 or 2.5.',
  'too-long': 'Something here is too long: titles 120 characters, levels 60, their text 400.',
};
const CODES = {
  rubric: 'Something is not right yet; nothing you wrote is lost.',
  'not-sure': 'Nothing was changed: say below that you are sure. Nothing you wrote is lost.',
  'has-marks': 'Somebody was marked by this rubric meanwhile, so it stays as it is.',
};

/** How many criteria a form has, and levels in one of them; one more than are filled in. */
const rows = (fields: Record<string, string>, name: (n: number) => string, most: number) => {
  const last =
    Array.from({ length: most }, (_, n) => n).findLast((n) => (fields[name(n)] ?? '') !== '') ?? -1;
  return Math.min(most, last + 2);
};

function Level(props: { c: number; l: number; fields: Record<string, string> }) {
  const { c, l, fields } = props;
  const value = (part: 'title' | 'text' | 'points') => fields[levelFieldOf(c, l, part)] ?? '';
  const about = `of level ${l + 1}, criterion ${c + 1}`;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_76px] gap-2 sm:grid-cols-[180px_minmax(0,1fr)_76px]">
      <input
        name={levelFieldOf(c, l, 'title')}
        defaultValue={value('title')}
        maxLength={60}
        className="field"
        placeholder={l === 0 ? 'The best level' : 'A level'}
        aria-label={`Title ${about}`}
      />
      <input
        name={levelFieldOf(c, l, 'text')}
        defaultValue={value('text')}
        maxLength={400}
        className="field max-sm:order-last max-sm:col-span-2"
        placeholder="What one sees"
        aria-label={`Description ${about}`}
      />
      <input
        name={levelFieldOf(c, l, 'points')}
        defaultValue={value('points')}
        inputMode="decimal"
        maxLength={6}
        className="field tabular-nums"
        placeholder="points"
        aria-label={`Points ${about}`}
      />
    </li>
  );
}

function Criterion(props: { c: number; fields: Record<string, string>; problems: RubricProblem[] }) {
  const { c, fields } = props;
  const [levels, more] = useState(() =>
    Math.max(
      3,
      rows(fields, (n) => levelFieldOf(c, n, 'title'), MOST_LEVELS),
    ),
  );
  const problem = props.problems.find((p) => p.criterion === c);
  return (
    <fieldset className="grid gap-2 border-t border-rule-soft px-4 py-4 first:border-t-0 sm:px-5">
      <legend className="sr-only">Criterion {c + 1}</legend>
      <input type="hidden" name={fieldOf(c, 'id')} defaultValue={fields[fieldOf(c, 'id')] ?? ''} />
      <input type="hidden" name={fieldOf(c, 'checks')} defaultValue={fields[fieldOf(c, 'checks')] ?? ''} />
      <input
        name={fieldOf(c, 'title')}
        defaultValue={fields[fieldOf(c, 'title')] ?? ''}
        maxLength={120}
        className="field font-serif text-[16px] font-semibold"
        placeholder="Another criterion"
        aria-label={`Title of criterion ${c + 1}`}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `wrong-${c}` : undefined}
      />
      {problem ? (
        <p id={`wrong-${c}`} className="text-[13px] font-semibold text-brick">
          {PROBLEMS[problem.code]}
        </p>
      ) : null}
      <ul className="grid gap-2">
        {Array.from({ length: levels }, (_, l) => (
          <Level key={l} c={c} l={l} fields={fields} />
        ))}
      </ul>
      {levels < MOST_LEVELS ? (
        <button
          type="button"
          className="link hidden w-fit text-[13px] scripted:inline"
          onClick={() => more(levels + 1)}
        >
          Another level
        </button>
      ) : null}
    </fieldset>
  );
}

const texts = (form: FormData): Record<string, string> =>
  Object.fromEntries(
    [...form].flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
  );

/** What the rubric is worth as it is filled in, beside what the brief says. */
function Worth({ fields, points }: { fields: Record<string, string>; points: number | null }) {
  const read = rubricOfForm(fields);
  if (!read.ok) return null;
  const { of } = pointsOf(read.value, {});
  const differs = points !== null && points !== of;
  return (
    <p role="status" className={`text-[13.5px] ${differs ? 'font-semibold text-ochre-ink' : 'text-ink-2'}`}>
      Its best levels are worth {plural(of, 'point')}
      {differs ? `; the prompt says ${points}` : ''}.
    </p>
  );
}

/** A discussion's rubric, criterion by criterion, on the left page; what it can begin from on the right. */
export function RubricBuilder({ page, action }: { page: DeskRubricPage; action: RubricAction }) {
  const { course, discussion, kept } = page;
  const [state, act, sending] = useActionState(action, { fields: page.fields, problems: [], code: null });
  const [typed, type] = useState(page.fields);
  const [count, more] = useState(() => rows(page.fields, (n) => fieldOf(n, 'title'), MOST_CRITERIA));
  const from = (name: string) => deskRubricAt(course.slug, discussion.slug, { from: name });
  const onInput = (event: FormEvent<HTMLFormElement>) => type(texts(new FormData(event.currentTarget)));
  return (
    <div className="plate grid overflow-clip lg:grid-cols-[minmax(0,1fr)_340px]">
      <form action={act} onInput={onInput} noValidate aria-label="The rubric">
        {state.code ? (
          <p role="alert" className="m-4 rounded-control bg-brick-tint px-3 py-2 font-medium">
            {CODES[state.code]}
          </p>
        ) : null}
        {/* After a refusal the fields begin with what was sent. */}
        <div key={JSON.stringify(state.fields)}>
          {Array.from({ length: count }, (_, c) => (
            <Criterion key={c} c={c} fields={state.fields} problems={state.problems} />
          ))}
        </div>
        {count < MOST_CRITERIA ? (
          <p className="hidden px-5 pb-4 scripted:block">
            <button type="button" className="btn" onClick={() => more(count + 1)}>
              Another criterion
            </button>
          </p>
        ) : null}
        <div className="grid gap-3 border-t border-rule px-5 py-4">
          <Worth fields={typed} points={page.points} />
          {page.posts ? (
            <label className="flex items-start gap-2">
              <input type="checkbox" name="sure" className="mt-0.5 size-5 accent-pine" />
              <span>
                {plural(page.posts, 'post')} {page.posts === 1 ? 'is' : 'are'} shared in it already. I am
                sure: whoever wrote {page.posts === 1 ? 'it sees' : 'them sees'} the new rubric from now on.
              </span>
            </label>
          ) : null}
          <div className="flex flex-wrap gap-2">
            <button type="submit" className="btn go" disabled={sending}>
              {sending ? 'Keeping…' : 'Keep the rubric'}
            </button>
            {page.stands ? (
              <button type="submit" name="none" value="yes" className="btn" disabled={sending}>
                Without a rubric
              </button>
            ) : null}
            <Link className="btn" href={deskDiscussionAt(course.slug, discussion.slug)}>
              Back to the desk
            </Link>
          </div>
        </div>
      </form>
      <aside
        aria-labelledby="begin"
        className="grid content-start gap-3 border-rule bg-page-2 px-5 py-4 max-lg:border-t lg:border-l"
      >
        <h2 id="begin" className="text-[18px]">
          Begin from
        </h2>
        <p className="text-[13.5px] text-ink-2">It fills the form; nothing is kept before you keep it.</p>
        <p>
          <Link className="link" href={from('brief')}>
            What this prompt asks for
          </Link>
        </p>
        {kept.length ? (
          <ul className="grid gap-1.5" aria-label="Rubrics you have">
            {kept.map((k) => (
              <li key={k.slug}>
                <Link className="link" href={from(k.slug)}>
                  {k.title}
                </Link>
                <span className="text-[12.5px] text-ink-2"> · {k.code}</span>
              </li>
            ))}
          </ul>
        ) : null}
      </aside>
    </div>
  );
}
