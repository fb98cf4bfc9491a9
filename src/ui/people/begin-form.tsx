'use client';

import { NewPasswordField, TextField, Trouble, ZoneField } from './fields';
import type { TellingAction } from './told';
import { useTold } from './use-told';

/** Whose installation this is, and who looks after it first. */
export function BeginForm(props: { action: TellingAction; zones: readonly string[]; zone: string }) {
  const { act, sending, trouble, of } = useTold(props.action);
  return (
    <form action={act} className="grid gap-4">
      <Trouble text={trouble} />
      <fieldset className="grid gap-3">
        <legend className="mb-2 font-serif text-[17px] font-semibold">The college</legend>
        <TextField
          label="Its name"
          name="college"
          defaultValue={of('college')}
          required
          maxLength={200}
          autoComplete="organization"
          hint="As it stands on invitations. A school, a department, or you."
        />
        <ZoneField
          label="Its time zone"
          name="timeZone"
          zones={props.zones}
          chosen={of('timeZone') || props.zone}
        />
      </fieldset>
      <fieldset className="grid gap-3">
        <legend className="mb-2 font-serif text-[17px] font-semibold">You, its first steward</legend>
        <TextField
          label="Your name"
          name="name"
          defaultValue={of('name')}
          required
          maxLength={200}
          autoComplete="name"
        />
        <TextField
          label="Mail address"
          name="email"
          type="email"
          defaultValue={of('email')}
          required
          maxLength={320}
          autoComplete="username"
        />
        <NewPasswordField name="password" />
      </fieldset>
      <button type="submit" className="btn go justify-self-start" disabled={sending}>
        {sending ? 'Beginning…' : 'Begin'}
      </button>
    </form>
  );
}
