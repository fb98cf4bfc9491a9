import type { ComponentProps, ReactNode } from 'react';
import { PASSWORD_LENGTH } from '@/core/people/naming';

/** A field with its name above it, and beneath it what helps to fill it in. */
export function Labelled(props: { label: string; hint?: string; children: ReactNode }) {
  return (
    <label className="grid gap-1 font-semibold">
      {props.label}
      {props.children}
      {props.hint ? <span className="text-[12.5px] font-normal text-ink-2">{props.hint}</span> : null}
    </label>
  );
}

export function TextField({
  label,
  hint,
  ...input
}: { label: string; hint?: string } & ComponentProps<'input'>) {
  return (
    <Labelled label={label} hint={hint}>
      <input {...input} className="field font-normal" />
    </Labelled>
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
