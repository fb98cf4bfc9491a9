'use client';

import type { NamedDate } from '@/core/calendar/dates-named';
import type { Doc } from '@/core/document/nodes';
import { correctionsOf } from '@/core/outside/corrections';
import { askedOf, type Field, type Fields } from '@/core/outside/fields';
import type { Usual } from '@/core/desk/usual';
import type { Suggestion } from '@/core/outside/suggest';
import type { Rubric } from '@/core/rubric/rubric';
import { useActionState, useRef, useState } from 'react';
import type { TouchedStudent } from '@/contract/desk';
import type { WallClock } from '@/core/deadlines/wallclock';
import { Touched } from '../desk/touched';
import { Group, Others, OtherWays, WhichDiscussion } from './brief-groups';
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
import { GiveCorrections } from './give-corrections';
import { NamedDates } from './named-dates';
import { PromptEvidence } from './prompt-evidence';
import { PromptWriter } from './prompt-writer';
import { RubricFound } from './rubric-found';
import { useBriefReader } from './use-brief-reader';
import { useBriefValues } from './use-brief-values';

export type BriefState = {
  fields: Fields;
  problems: BriefProblem[];
  /** It was not kept for another reason, in a sentence. */
  trouble?: string;
  /** It would change what students have shared counts for: whom, and the stamp of exactly that. */
  touches?: { touched: TouchedStudent[]; stamp: string };
};
export type BriefAction = (before: BriefState, form: FormData) => Promise<BriefState>;

type Props = {
  doc: Doc;
  /** What stands in the form at first. */
  fields: Fields;
  /** What the text was read as. */
  suggestion: Suggestion;
  /** The text is written here, beside the form: in whose course, by whom, under which name this machine keeps it, and how it is read. */
  writing?: { course: string; author: string; keptAs: string; startReader: () => Worker; now: WallClock };
  /** Fields that nobody has typed into say what the text says, as it is written. */
  follows?: boolean;
  dates: NamedDate[];
  troubles: Trouble[];
  zones: string[];
  courses: string[];
  /** The course of a discussion that is there stays the one it is in. */
  fixedCourse: boolean;
  /** Of a course that is held here: groups, sides and leaders can be asked for. */
  hosted?: boolean;
  /** A rubric that stands in the text or beside it, and whether it is to stand beside it. */
  rubric?: { found: Rubric; taken: boolean } | null;
  usual?: Usual['like'];
  button: string;
  action: BriefAction;
};

/** What a prompt asks for as fields that can each be corrected, with the words of the prompt each was read from. */
export function BriefForm(props: Props) {
  const { writing } = props;
  const [pointed, point] = useState<Field | null>(null);
  const [state, act, sending] = useActionState(props.action, { fields: props.fields, problems: [] });
  const { problems, touches } = state;
  const sent = state.fields !== props.fields;
  const { read, changed } = useBriefReader(writing?.startReader ?? null, writing?.now ?? '');
  const suggestion = read?.suggestion ?? props.suggestion;
  const brief = useBriefValues({
    given: state.fields,
    text: suggestion.fields,
    asked: Object.fromEntries(suggestion.asked.map((a) => [a.field, a.value])),
    follows: (props.follows ?? false) && !sent,
    watches: writing !== undefined,
  });
  const { fields } = brief;
  const text = useRef<HTMLInputElement>(null);
  const written = useRef<Doc | null>(null);
  const [taken, setTaken] = useState<{ responseDue?: string; repliesDue?: string }>({});
  const form = (
    <form
      action={act}
      className="grow overflow-auto"
      noValidate
      onInput={brief.typed}
      onSubmit={() => {
        if (text.current && written.current) text.current.value = JSON.stringify(written.current);
      }}
    >
      {writing ? <input type="hidden" name="doc" ref={text} defaultValue="" /> : null}
      <div className="grid gap-2 px-4 py-3 empty:hidden sm:px-6">
        {problems.length ? (
          <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
            {problems.length === 1 ? 'One field is' : `${problems.length} fields are`} not right yet; nothing
            you typed is lost.
          </p>
        ) : null}
        {state.trouble ? (
          <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
            {state.trouble}
          </p>
        ) : null}
        {touches ? (
          <div role="alert" className="grid gap-2 rounded-control border border-brick bg-brick-tint p-3">
            <Touched touched={touches.touched} />
            <p className="text-[13px]">
              Nothing is changed yet. What they shared keeps what it met; what counts is counted anew.
            </p>
            <p>
              <button className="btn" name="sure" value={touches.stamp} disabled={sending}>
                Change it all the same
              </button>
            </p>
          </div>
        ) : null}
        {props.troubles.map((t, i) => (
          <p key={i} role="status" className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px]">
            {troubleText(t)}
          </p>
        ))}
        {suggestion.cut && !props.troubles.some((t) => t.code === 'shown-in-part') ? (
          <p role="status" className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px]">
            This text was not read to its end: it is too long for that. What it asks further on is not filled
            in; look through the fields.
          </p>
        ) : null}
        {suggestion.otherwise.length ? (
          <p role="status" className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px]">
            This text contradicts itself. Both of what it says stands beside the field; the surer one is
            filled in.
          </p>
        ) : null}
      </div>
      <WhichDiscussion
        hosted={props.hosted}
        fixed={props.fixedCourse}
        courses={props.courses}
        zones={props.zones}
      />
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
        {fields['response.title'] ? (
          <TextField field="response.title" />
        ) : (
          <TickField field="response.titled" />
        )}
        <TickField field="response.example" />
        <Others legend="Or, in the place of the words">
          {(['image', 'video', 'audio', 'file'] as const).map((kind) => (
            <TickField key={kind} field={`response.instead.${kind}`} />
          ))}
        </Others>
      </Group>
      <Group title="The replies">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          <NumberField field="replies.count" />
          <div className="grid gap-1 pt-5">
            <TickField field="replies.distinctPeers" />
            <TickField field="replies.greetByName" />
            <TickField field="replies.staffCount" />
          </div>
        </div>
        <NumberFields fields={askedOf('replies').filter((f) => f !== 'replies.count')} />
      </Group>
      {props.rubric ? <RubricFound {...props.rubric} /> : null}
      {props.hosted ? <OtherWays fields={fields} /> : null}
      <Group title="And">
        <div className="grid items-start gap-3 sm:grid-cols-2">
          <div className="grid gap-1">
            <TickField field="sealed" />
            <TickField field="sealOpensWithAny" />
          </div>
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
      <GiveCorrections corrections={correctionsOf(suggestion, brief.now, brief.left)} />
      <div className="sticky bottom-0 border-t border-rule bg-page-2 px-4 py-3 max-lg:bottom-12 sm:px-6">
        <button className="btn go" disabled={sending}>
          {sending ? 'Keeping…' : props.button}
        </button>
      </div>
    </form>
  );
  return (
    <BriefFieldsProvider
      value={{
        fields,
        problems,
        suggestion,
        usual: brief.usualOf(props.usual ?? {}),
        point,
        says: brief.says,
        unsure: brief.unsure,
        take: brief.take,
        leave: brief.leave,
        turns: brief.turns,
      }}
    >
      <FacingPages
        first="right"
        shape={writing ? 'even' : 'narrow-left'}
        left={{
          name: 'The prompt',
          page: writing ? (
            <PromptWriter
              doc={props.doc}
              course={writing.course}
              author={writing.author}
              title={fields.title ?? ''}
              keptAs={writing.keptAs}
              evidence={suggestion.evidence}
              version={read?.version ?? 0}
              pointed={pointed}
              changed={(doc, version) => {
                written.current = doc;
                changed(doc, version);
              }}
            />
          ) : (
            <PromptEvidence doc={props.doc} evidence={suggestion.evidence} pointed={pointed} />
          ),
        }}
        right={{ name: 'What it asks', page: form }}
      />
    </BriefFieldsProvider>
  );
}
