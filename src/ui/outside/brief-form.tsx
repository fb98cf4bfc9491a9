'use client';

import type { NamedDate } from '@/core/calendar/dates-named';
import type { Doc } from '@/core/document/nodes';
import { askedOf, type Field, type Fields } from '@/core/outside/fields';
import type { Usual } from '@/core/desk/usual';
import type { Suggestion } from '@/core/outside/suggest';
import { useActionState, useState, type ReactNode } from 'react';
import { FacingPages } from '../discussion/facing-pages';
import { troubleText, type Trouble } from '../words/outside';
import { factText } from '../words/requirements';
import {
  AreaField,
  BriefFieldsProvider,
  ChoiceField,
  MomentField,
  NumberField,
  NumberFields,
  TextField,
  TickField,
  type BriefProblem,
} from './brief-fields';
import { NamedDates } from './named-dates';
import { PromptEvidence } from './prompt-evidence';

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
  usual?: Usual['like'];
  button: string;
  action: BriefAction;
};

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
  const { suggestion } = props;
  const [pointed, point] = useState<Field | null>(null);
  const [state, act, sending] = useActionState(props.action, { fields: suggestion.fields, problems: [] });
  const { fields, problems } = state;
  const [taken, setTaken] = useState<{ responseDue?: string; repliesDue?: string }>({});
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
        <TextField field="title" />
        <div className="grid items-start gap-3 sm:grid-cols-[1fr_110px]">
          <TextField
            field="course"
            list="outside-courses"
            placeholder="BIO 210 Cell Biology"
            readOnly={props.fixedCourse || undefined}
          />
          <NumberField field="week" />
        </div>
        <datalist id="outside-courses">
          {props.courses.map((c) => (
            <option key={c} value={c} />
          ))}
        </datalist>
        <ChoiceField field="zone">
          {props.zones.map((z) => (
            <option key={z} value={z}>
              {z.replace(/_/gu, ' ')}
            </option>
          ))}
        </ChoiceField>
      </Group>
      <Group title="Deadlines">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          <MomentField field="responseDue" taken={taken.responseDue} />
          <MomentField field="repliesDue" taken={taken.repliesDue} />
        </div>
        <NamedDates
          dates={props.dates}
          take={(field, wall) => setTaken((before) => ({ ...before, [field]: wall }))}
        />
        <div className="grid items-start gap-3 sm:grid-cols-3">
          <ChoiceField field="late">
            <option value="">is not spoken of</option>
            <option value="refused">is refused</option>
            <option value="penalty">loses something each day</option>
            <option value="accepted">is accepted</option>
          </ChoiceField>
          <NumberField field="late.percent" />
          <NumberField field="late.days" />
        </div>
      </Group>
      <Group title="The response">
        <AreaField field="parts" rows={4} />
        <NumberFields
          fields={askedOf('response')}
          extra={
            fields['response.concepts.min'] || fields.concepts ? (
              <>
                <AreaField field="concepts" rows={3} />
                <p className="text-[12.5px] text-ink-2">
                  Ideas can only be looked for by name. Other names of one idea go on its line after a slash.
                </p>
              </>
            ) : null
          }
        />
        {fields['response.title'] ? <TextField field="response.title" /> : null}
      </Group>
      <Group title="The replies">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          <NumberField field="replies.count" />
          <div className="grid gap-1 pt-5">
            <TickField field="replies.distinctPeers" />
            <TickField field="replies.greetByName" />
          </div>
        </div>
        <NumberFields fields={askedOf('replies').filter((f) => f !== 'replies.count')} />
      </Group>
      <Group title="And">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          <TickField field="sealed" />
          <NumberField field="points" />
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
    <BriefFieldsProvider value={{ fields, problems, suggestion, usual: props.usual ?? {}, point }}>
      <FacingPages
        first="right"
        shape="narrow-left"
        left={{
          name: 'The prompt',
          page: <PromptEvidence doc={props.doc} evidence={suggestion.evidence} pointed={pointed} />,
        }}
        right={{ name: 'What it asks', page: form }}
      />
    </BriefFieldsProvider>
  );
}
