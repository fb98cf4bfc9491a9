import type { Field, Fields } from '@/core/outside/fields';
import type { Usual } from '@/core/desk/usual';
import type { Suggestion } from '@/core/outside/suggest';
import { createContext, useContext, type InputHTMLAttributes, type ReactNode } from 'react';
import { WhenField } from '../frame/when-field';
import { FIELD_NAMES, fieldProblemText } from '../words/outside';
import { plural } from '../words/plural';
import { wallText } from '../words/time';
import { FieldEvidence } from './evidence';

export type BriefProblem = Parameters<typeof fieldProblemText>[0];

/** What every field of the form shows of itself: what is in it, what is wrong with it, and where it was read. */
export type BriefFields = {
  fields: Fields;
  problems: readonly BriefProblem[];
  suggestion: Suggestion;
  /** What the text leaves unsaid, and what it was filled in like. */
  usual: Usual['like'];
  /** Shows in the prompt where a field was read. */
  point: (field: Field | null) => void;
  /** What the text says of a field that holds something else. */
  says: Partial<Record<Field, string>>;
  /** What the text may say of an empty field. */
  unsure: Partial<Record<Field, string>>;
  /** Takes what the text says into a field; and how often that was done. */
  take: (field: Field) => void;
  /** The text does not say that after all: it is not asked any more. */
  leave: (field: Field) => void;
  turns: Partial<Record<Field, number>>;
};
const Context = createContext<BriefFields | null>(null);
export const BriefFieldsProvider = Context.Provider;

const unsaidText = (like: Usual['like'][Field]) =>
  like === undefined
    ? null
    : `${like === 'habits' ? 'As this course does' : `As in week ${like}`}; the text does not say.`;

function useField(field: Field) {
  const all = useContext(Context);
  if (!all) throw new Error('A field stands in its form.');
  const { fields, problems, suggestion, usual, point, says, unsure, take, leave, turns } = all;
  const problem = problems.find((p) => p.field === field);
  const evidence = suggestion.evidence[field];
  const unsaid = unsaidText(usual[field]);
  // No words of the text say it: it is added up.
  const summed =
    field === 'points' && suggestion.rubric !== null && fields.points === suggestion.fields.points;
  const why =
    evidence || problem ? null : (unsaid ?? (summed ? 'All criteria of its rubric together.' : null));
  return {
    value: fields[field] ?? '',
    problem,
    evidence,
    why,
    others: suggestion.otherwise.filter((o) => o.field === field),
    point,
    says: says[field],
    unsure: unsure[field],
    asked: suggestion.asked.find((a) => a.field === field),
    take: () => take(field),
    leave: () => {
      leave(field);
      // The question goes away under whoever answered it.
      document.getElementById(`field-${field}`)?.focus();
    },
    // What is read anew is shown anew; what somebody typed stays.
    anew: `${turns[field] ?? 0} ${fields[field] ?? ''}`,
    common: {
      id: `field-${field}`,
      name: field,
      'aria-invalid': problem ? true : undefined,
      'aria-describedby': problem ? `problem-${field}` : evidence || why ? `read-${field}` : undefined,
      onFocus: () => point(field),
    },
  };
}

/** Beneath a field: what is wrong with it, the words it was read from, and what else the text says. */
function About({ field }: { field: Field }) {
  const { problem, evidence, why, others, point, says, unsure, asked, take, leave } = useField(field);
  return (
    <>
      {says === undefined ? null : (
        <p className="flex flex-wrap items-center gap-x-2 text-[12.5px] font-semibold text-ochre-ink">
          {saysText(field, says)}
          <button type="button" className="link min-h-6" onClick={take}>
            Take that
          </button>
        </p>
      )}
      {unsure === undefined || !asked ? null : (
        <p className="flex flex-wrap items-center gap-x-2 text-[12.5px] font-semibold text-ochre-ink">
          {askedText(field, unsure)}
          <button type="button" className="link min-h-6" onClick={take}>
            Yes
          </button>
          <button type="button" className="link min-h-6" onClick={leave}>
            No
          </button>
          <span className="basis-full font-serif font-normal text-ink-2 italic">
            “{asked.evidence.quote.replace(/\s+/gu, ' ').slice(0, 80)}”
          </span>
        </p>
      )}
      {problem ? (
        <p id={`problem-${field}`} className="text-[13px] font-semibold text-brick">
          {fieldProblemText(problem)}
        </p>
      ) : null}
      <FieldEvidence field={field} evidence={evidence} point={point} />
      {why === null ? null : (
        <p id={`read-${field}`} className="text-[12.5px] text-ink-2">
          {why}
        </p>
      )}
      {others.map((o) => (
        <p key={o.value} className="text-[12.5px] font-semibold text-ochre-ink">
          The text also says {/^\d{4}-/u.test(o.value) ? wallText(o.value) : o.value.replace(/\n/gu, ' / ')}:
          “{o.evidence.quote.replace(/\s+/gu, ' ').slice(0, 80)}”. Which holds?
        </p>
      ))}
    </>
  );
}

/** What the text says of a field, beside another value in it. */
const saysText = (field: Field, value: string): string =>
  value === 'on'
    ? 'The text asks for this.'
    : field === 'parts'
      ? `The text asks ${plural(value.split('\n').length, 'question')}.`
      : `The text says ${/^\d{4}-/u.test(value) ? wallText(value) : `“${value.replace(/\n/gu, '; ')}”`}.`;

/** What is not read surely enough, asked. */
const askedText = (field: Field, value: string): string =>
  value === 'on'
    ? 'Is this asked for?'
    : field === 'parts'
      ? `Are these ${plural(value.split('\n').length, 'question')} to answer?`
      : `Is it ${/^\d{4}-/u.test(value) ? wallText(value) : value}?`;

function Labelled({ field, children }: { field: Field; children: ReactNode }) {
  return (
    <div className="grid gap-1">
      <label className="grid gap-1 text-[13.5px] font-semibold">
        {FIELD_NAMES[field]}
        {children}
      </label>
      <About field={field} />
    </div>
  );
}

export function TextField({ field, ...more }: { field: Field } & InputHTMLAttributes<HTMLInputElement>) {
  const { value, anew, common } = useField(field);
  return (
    <Labelled field={field}>
      <input
        key={anew}
        className="field font-normal"
        type="text"
        defaultValue={value}
        {...common}
        {...more}
      />
    </Labelled>
  );
}

export const NumberField = ({ field }: { field: Field }) => (
  <TextField field={field} inputMode="numeric" autoComplete="off" />
);

export function AreaField({ field, rows }: { field: Field; rows: number }) {
  const { value, anew, common } = useField(field);
  return (
    <Labelled field={field}>
      <textarea key={anew} className="field font-normal" rows={rows} defaultValue={value} {...common} />
    </Labelled>
  );
}

export function ChoiceField({ field, children }: { field: Field; children: ReactNode }) {
  const { value, anew, common } = useField(field);
  return (
    <Labelled field={field}>
      <select key={anew} className="field font-normal" defaultValue={value} {...common}>
        {children}
      </select>
    </Labelled>
  );
}

/** A moment; `taken` is one that was chosen from a calendar. */
export function MomentField({ field, taken }: { field: Field; taken: string | undefined }) {
  const { value, common } = useField(field);
  return (
    <Labelled field={field}>
      <WhenField
        key={`${value} ${taken ?? ''}`}
        className="field font-normal"
        wall={taken ?? value}
        {...common}
      />
    </Labelled>
  );
}

export function TickField({ field }: { field: Field }) {
  const { value, anew, common } = useField(field);
  return (
    <div className="grid gap-1">
      <label className="flex min-h-7 items-center gap-2 text-[13.5px] font-semibold">
        <input
          key={anew}
          type="checkbox"
          className="size-4 accent-(--pine)"
          defaultChecked={Boolean(value)}
          {...common}
        />
        {FIELD_NAMES[field]}
      </label>
      <About field={field} />
    </div>
  );
}

/** The numbers a prompt asks for, and room for those it does not. */
export function NumberFields({ fields: list, extra }: { fields: readonly Field[]; extra?: ReactNode }) {
  const all = useContext(Context);
  const isAsked = (f: Field) =>
    all?.fields[f] !== undefined || Boolean(all?.problems.some((p) => p.field === f));
  const grid = (of: readonly Field[]) => (
    <div className="grid items-start gap-3 sm:grid-cols-2">
      {of.map((f) => (
        <NumberField key={f} field={f} />
      ))}
    </div>
  );
  return (
    <>
      {grid(list.filter(isAsked))}
      {extra}
      <details className="text-[13.5px]">
        <summary className="link min-h-7 w-fit py-1">Ask for something else as well</summary>
        <div className="mt-2">{grid(list.filter((f) => !isAsked(f)))}</div>
      </details>
    </>
  );
}
