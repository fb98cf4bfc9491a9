import type { ReactNode } from 'react';
import type { Field, Fields } from '@/core/outside/fields';
import { ChoiceField, NumberField, TextField, TickField } from './brief-fields';

/** Fields of the form that belong together. */
export function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="border-t border-rule-soft px-4 py-4 sm:px-6">
      <legend className="float-left mb-2 w-full font-serif text-[17px] font-semibold">{title}</legend>
      <div className="clear-both grid gap-3">{children}</div>
    </fieldset>
  );
}

/** Boxes to tick that say together what is taken. */
export const Others = ({ legend, children }: { legend: string; children: ReactNode }) => (
  <fieldset className="grid gap-x-4 sm:grid-cols-2">
    <legend className="mb-1 text-[13.5px] font-semibold">{legend}</legend>
    {children}
  </fieldset>
);

const OTHER_WAYS: readonly Field[] = [
  'response.unasked',
  'response.topic',
  'grouped',
  'sides.first',
  'leader.replies',
];

/** Ways of asking beside one response and replies of the whole class; open where one of them is asked for. */
export function OtherWays({ fields }: { fields: Fields }) {
  return (
    <fieldset className="border-t border-rule-soft px-4 py-4 sm:px-6">
      <details open={OTHER_WAYS.some((f) => fields[f])}>
        <summary className="min-h-7 cursor-pointer font-serif text-[17px] font-semibold">
          Other ways of asking
        </summary>
        <div className="mt-3 grid gap-3">
          <TickField field="grouped" />
          <TickField field="response.topic" />
          <TickField field="response.unasked" />
          <Others legend="Two sides, given out to the class">
            <TextField field="sides.first" placeholder="Let the river move" maxLength={60} />
            <TextField field="sides.second" placeholder="Hold the bank" maxLength={60} />
          </Others>
          <TickField field="replies.otherSide" />
          <NumberField field="leader.replies" />
          <p className="text-[12.5px] text-ink-2">
            Groups, sides and who leads are given out on the discussion’s page of the desk.
          </p>
        </div>
      </details>
    </fieldset>
  );
}

/** What the discussion is called, and where it stands: of a course that is held here only its week is asked for. */
export function WhichDiscussion(props: {
  hosted: boolean | undefined;
  fixed: boolean;
  courses: readonly string[];
  zones: readonly string[];
}) {
  const { hosted, fixed, courses, zones } = props;
  return (
    <Group title="Which discussion">
      {hosted ? (
        <div className="grid items-start gap-3 sm:grid-cols-[1fr_110px]">
          <TextField field="title" />
          <NumberField field="week" />
        </div>
      ) : (
        <>
          <TextField field="title" />
          <div className="grid items-start gap-3 sm:grid-cols-[1fr_110px]">
            <TextField
              field="course"
              list="outside-courses"
              placeholder="BIO 210 Cell Biology"
              readOnly={fixed || undefined}
            />
            <NumberField field="week" />
          </div>
          <datalist id="outside-courses">
            {courses.map((c) => (
              <option key={c} value={c} />
            ))}
          </datalist>
          <ChoiceField field="zone">
            {zones.map((z) => (
              <option key={z} value={z}>
                {z.replace(/_/gu, ' ')}
              </option>
            ))}
          </ChoiceField>
        </>
      )}
    </Group>
  );
}
