'use client';

import { NewPasswordField, TextField, Trouble } from './fields';
import type { TellingAction } from './told';
import { useTold } from './use-told';

/** Asks for a link by mail. */
export function AskByMailForm({ action, button }: { action: TellingAction; button: string }) {
  const { act, sending, trouble, of } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <TextField
        label="Mail address"
        name="email"
        type="email"
        defaultValue={of('email')}
        required
        autoComplete="username"
      />
      <button type="submit" className="btn go justify-self-start" disabled={sending}>
        {sending ? 'Asking…' : button}
      </button>
    </form>
  );
}

/** Chooses a new password, by the link out of a mail. */
export function NewPasswordForm({ action, email }: { action: TellingAction; email: string }) {
  const { act, sending, trouble } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <NewPasswordField name="password" label="New password" />
      <button type="submit" className="btn go justify-self-start" disabled={sending}>
        {sending ? 'Changing…' : 'Change it'}
      </button>
    </form>
  );
}
