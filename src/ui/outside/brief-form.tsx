'use client';

import { WhenField } from '../frame/when-field';
import type { NamedDate } from '@/core/calendar/dates-named';
import type { Field, Fields } from '@/core/outside/fields';
import type { Suggestion } from '@/core/outside/suggest';
import type { Doc } from '@/core/document/nodes';
import { useActionState, useState, type ReactNode } from 'react';
import { FacingPages } from '../discussion/facing-pages';
import { FIELD_NAMES, fieldProblemText, troubleText, type Trouble } from '../words/outside';
import { factText } from '../words/requirements';
import { wallText } from '../words/time';
import { FieldEvidence } from './evidence';
import { PromptEvidence } from './prompt-evidence';

export type BriefProblem = Parameters<typeof fieldProblemText>[0];
export type BriefState = { fields: Fields; problems: BriefProblem[] };
export type BriefAction = (before: BriefState, form: FormData) => Promise<BriefState>;

type Props = {
  doc: Doc;
  suggestion: Suggestion;
  dates: NamedDate[];
  troubles: Trouble[];
  zones: string[];
  courses: string[];
  /** The course of a discussion that is there stays the one it is in. */
  fixedCourse: boolean;
  button: string;
  action: BriefAction;
};

const RESPONSE: Field[] = [
  'response.words.min',
  'response.words.max',
  'response.sources.min',
  'response.quotes.min',
  'response.paragraphs.min',
  'response.paragraphs.max',
  'response.sentences.min',
  'response.concepts.min',
  'response.question.min',
];
const REPLIES: Field[] = [
  'replies.words.min',
  'replies.words.max',
  'replies.sentences.min',
  'replies.sources.min',
  'replies.quotes.min',
  'replies.question.min',
  'replies.distinctDays',
];

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="border-t border-rule-soft px-4 py-4 sm:px-6">
      <legend className="float-left mb-2 w-full font-serif text-[17px] font-semibold">{title}</legend>
      <div className="clear-both grid gap-3">{children}</div>
    </fieldset>
  );
}

/** What a prompt asks for as fields that can each be corrected, with the words of the prompt each was read from. */
export function BriefForm(props: Props) {
  const { suggestion, dates } = props;
  const [pointed, point] = useState<Field | null>(null);
  const [state, act, sending] = useActionState(props.action, { fields: suggestion.fields, problems: [] });
  const { fields, problems } = state;
  const [taken, setTaken] = useState<Partial<Record<Field, string>>>({});
  const problemOf = (field: Field) => problems.find((p) => p.field === field);

  const beside = (field: Field) => {
    const problem = problemOf(field);
    const others = suggestion.otherwise.filter((o) => o.field === field);
    return (
      <>
        {problem ? (
          <p id={`problem-${field}`} className="text-[13px] font-semibold text-brick">
            {fieldProblemText(problem)}
          </p>
        ) : null}
        <FieldEvidence field={field} evidence={suggestion.evidence[field]} point={point} />
        {others.map((o) => (
          <p key={o.value} className="text-[12.5px] font-semibold text-ochre-ink">
            The text also says {/^\d{4}-/u.test(o.value) ? wallText(o.value) : o.value.replace(/\n/gu, ' / ')}
            : “{o.evidence.quote.replace(/\s+/gu, ' ').slice(0, 80)}”. Which holds?
          </p>
        ))}
      </>
    );
  };
  const common = (field: Field) => ({
    id: `field-${field}`,
    name: field,
    'aria-invalid': problemOf(field) ? true : undefined,
    'aria-describedby': problemOf(field)
      ? `problem-${field}`
      : suggestion.evidence[field]
        ? `read-${field}`
        : undefined,
    onFocus: () => point(field),
  });
  const input = (field: Field, type: string, more: object = {}) => (
    <div key={field} className="grid gap-1">
      <label className="grid gap-1 text-[13.5px] font-semibold">
        {FIELD_NAMES[field]}
        <input
          className="field font-normal"
          type={type}
          defaultValue={fields[field] ?? ''}
          {...common(field)}
          {...more}
        />
      </label>
      {beside(field)}
    </div>
  );
  const when = (field: 'responseDue' | 'repliesDue') => (
    <div key={field} className="grid gap-1">
      <label className="grid gap-1 text-[13.5px] font-semibold">
        {FIELD_NAMES[field]}
        <WhenField
          key={`${fields[field] ?? ''} ${taken[field] ?? ''}`}
          className="field font-normal"
          wall={taken[field] ?? fields[field] ?? ''}
          {...common(field)}
        />
      </label>
      {beside(field)}
    </div>
  );
  const number = (field: Field) => input(field, 'text', { inputMode: 'numeric', autoComplete: 'off' });
  const area = (field: Field, rows: number) => (
    <div className="grid gap-1">
      <label className="grid gap-1 text-[13.5px] font-semibold">
        {FIELD_NAMES[field]}
        <textarea
          className="field font-normal"
          rows={rows}
          defaultValue={fields[field] ?? ''}
          {...common(field)}
        />
      </label>
      {beside(field)}
    </div>
  );
  const tick = (field: Field) => (
    <div className="grid gap-1">
      <label className="flex min-h-7 items-center gap-2 text-[13.5px] font-semibold">
        <input
          type="checkbox"
          className="size-4 accent-(--pine)"
          defaultChecked={Boolean(fields[field])}
          {...common(field)}
        />
        {FIELD_NAMES[field]}
      </label>
      {beside(field)}
    </div>
  );
  const asked = (list: Field[]) => list.filter((f) => fields[f] !== undefined || problemOf(f));
  const more = (list: Field[]) => list.filter((f) => !asked(list).includes(f));
  const numbers = (list: Field[], extra: ReactNode = null) => (
    <>
      <div className="grid items-start gap-3 sm:grid-cols-2">{asked(list).map(number)}</div>
      {extra}
      <details className="text-[13.5px]">
        <summary className="link min-h-7 w-fit py-1">Ask for something else as well</summary>
        <div className="mt-2 grid items-start gap-3 sm:grid-cols-2">{more(list).map(number)}</div>
      </details>
    </>
  );

  const take = (field: 'responseDue' | 'repliesDue', wall: string) =>
    setTaken((before) => ({ ...before, [field]: wall }));

  const form = (
    <form action={act} className="grow overflow-auto" noValidate>
      <div className="grid gap-2 px-4 py-3 empty:hidden sm:px-6">
        {problems.length ? (
          <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
            {problems.length === 1 ? 'One field is' : `${problems.length} fields are`} not right yet; nothing
            you typed is lost.
          </p>
        ) : null}
        {props.troubles.map((t, i) => (
          <p key={i} role="status" className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px]">
            {troubleText(t)}
          </p>
        ))}
        {suggestion.otherwise.length ? (
          <p role="status" className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px]">
            This text contradicts itself. Both of what it says stands beside the field; the surer one is
            filled in.
          </p>
        ) : null}
      </div>
      <Group title="Which discussion">
        {input('title', 'text')}
        <div className="grid items-start gap-3 sm:grid-cols-[1fr_110px]">
          {input('course', 'text', {
            list: 'outside-courses',
            placeholder: 'BIO 210 Cell Biology',
            readOnly: props.fixedCourse || undefined,
          })}
          {number('week')}
        </div>
        <datalist id="outside-courses">
          {props.courses.map((c) => (
            <option key={c} value={c} />
          ))}
        </datalist>
        <div className="grid gap-1">
          <label className="grid gap-1 text-[13.5px] font-semibold">
            {FIELD_NAMES.zone}
            <select className="field font-normal" defaultValue={fields.zone} {...common('zone')}>
              {props.zones.map((z) => (
                <option key={z} value={z}>
                  {z.replace(/_/gu, ' ')}
                </option>
              ))}
            </select>
          </label>
          {beside('zone')}
        </div>
      </Group>
      <Group title="Deadlines">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          {when('responseDue')}
          {when('repliesDue')}
        </div>
        {dates.length ? (
          <div className="text-[13px]">
            <p className="font-semibold">Times in the calendar file</p>
            <ul className="mt-1 grid gap-1.5">
              {dates.map((d, i) => (
                <li key={i} className="flex flex-wrap items-center gap-x-3 gap-y-1">
                  <span className="min-w-0 grow">
                    {d.title} <span className="text-ink-2">{wallText(d.wall)}</span>
                  </span>
                  <button
                    type="button"
                    className="btn !min-h-7 !py-0.5 !text-[12.5px]"
                    onClick={() => take('responseDue', d.wall)}
                  >
                    Response due then<span className="sr-only">: {d.title}</span>
                  </button>
                  <button
                    type="button"
                    className="btn !min-h-7 !py-0.5 !text-[12.5px]"
                    onClick={() => take('repliesDue', d.wall)}
                  >
                    Replies due then<span className="sr-only">: {d.title}</span>
                  </button>
                </li>
              ))}
            </ul>
          </div>
        ) : null}
        <div className="grid items-start gap-3 sm:grid-cols-3">
          <div className="grid gap-1">
            <label className="grid gap-1 text-[13.5px] font-semibold">
              {FIELD_NAMES.late}
              <select className="field font-normal" defaultValue={fields.late ?? ''} {...common('late')}>
                <option value="">is not spoken of</option>
                <option value="refused">is refused</option>
                <option value="penalty">loses something each day</option>
                <option value="accepted">is accepted</option>
              </select>
            </label>
            {beside('late')}
          </div>
          {number('late.percent')}
          {number('late.days')}
        </div>
      </Group>
      <Group title="The response">
        {area('parts', 4)}
        {numbers(
          RESPONSE,
          fields['response.concepts.min'] || fields.concepts ? (
            <>
              {area('concepts', 3)}
              <p className="text-[12.5px] text-ink-2">
                Ideas can only be looked for by name. Other names of one idea go on its line after a slash.
              </p>
            </>
          ) : null,
        )}
        {fields['response.title'] ? input('response.title', 'text') : null}
      </Group>
      <Group title="The replies">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          {number('replies.count')}
          <div className="grid gap-1 pt-5">
            {tick('replies.distinctPeers')}
            {tick('replies.greetByName')}
          </div>
        </div>
        {numbers(REPLIES)}
      </Group>
      <Group title="And">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          {tick('sealed')}
          {number('points')}
        </div>
        {suggestion.also.length ? (
          <div className="text-[13px]">
            <p className="font-semibold">Asked for as well, and not checked by Pulpit</p>
            <ul className="mt-1 list-disc pl-5">
              {suggestion.also.map((f) => (
                <li key={f.fact}>
                  {factText(f)}: <i className="font-serif">“{f.quote.replace(/\s+/gu, ' ')}”</i>
                </li>
              ))}
            </ul>
          </div>
        ) : null}
      </Group>
      <div className="sticky bottom-0 border-t border-rule bg-page-2 px-4 py-3 max-lg:bottom-12 sm:px-6">
        <button className="btn go" disabled={sending}>
          {sending ? 'Keeping…' : props.button}
        </button>
      </div>
    </form>
  );
  return (
    <FacingPages
      first="right"
      shape="narrow-left"
      left={{
        name: 'The prompt',
        page: <PromptEvidence doc={props.doc} evidence={suggestion.evidence} pointed={pointed} />,
      }}
      right={{ name: 'What it asks', page: form }}
    />
  );
}
