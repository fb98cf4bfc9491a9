import { useId, type ComponentProps, type ReactNode } from 'react';
import { PASSWORD_LENGTH } from '@/core/people/naming';

/** A field with its name above it. */
export const Labelled = (props: { label: string; children: ReactNode }) => (
  <label className="grid content-start gap-1 font-semibold">
    {props.label}
    {props.children}
  </label>
);

/** A field of one line, with what helps to fill it in beneath: told after the name, and no part of it. */
export function TextField({
  label,
  hint,
  ...input
}: { label: string; hint?: string } & ComponentProps<'input'>) {
  const id = useId();
  return (
    <div className="grid content-start gap-1">
      <Labelled label={label}>
        <input {...input} aria-describedby={hint ? id : undefined} className="field font-normal" />
      </Labelled>
      {hint ? (
        <p id={id} className="text-[12.5px] text-ink-2">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

export const NewPasswordField = ({ name, label = 'Password' }: { name: string; label?: string }) => (
  <TextField
    label={label}
    name={name}
    type="password"
    autoComplete="new-password"
    required
    minLength={PASSWORD_LENGTH.least}
    maxLength={PASSWORD_LENGTH.most}
    hint={`At least ${PASSWORD_LENGTH.least} characters; four or five words are easiest to remember.`}
  />
);

/** One of the world's time zones. */
export function ZoneField(props: { label: string; name: string; zones: readonly string[]; chosen: string }) {
  return (
    <Labelled label={props.label}>
      <select name={props.name} defaultValue={props.chosen} key={props.chosen} className="field font-normal">
        {props.zones.map((zone) => (
          <option key={zone} value={zone}>
            {zone.replace(/_/gu, ' ')}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

/** What is wrong with what was sent. */
export const Trouble = ({ text }: { text: string | null }) =>
  text ? (
    <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
      {text}
    </p>
  ) : null;

/** The plate of a page that is about one thing, before anybody is signed in. */
export function DoorPage(props: { title: string; lead: string; children: ReactNode }) {
  return (
    <section aria-labelledby="door" className="plate grid gap-4 px-5 py-5">
      <div>
        <h1 id="door" className="text-[22px]">
          {props.title}
        </h1>
        <p className="mt-1 text-ink-2">{props.lead}</p>
      </div>
      {props.children}
    </section>
  );
}
