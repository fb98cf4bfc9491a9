'use client';

import { useEffect, useRef } from 'react';
import { NewPasswordField, TextField, Trouble } from './fields';
import type { TellingAction } from './told';
import { useTold } from './use-told';

/** Accepting an invitation: a name and a password, or nothing at all where there is an account already. */
export function AcceptForm(props: { action: TellingAction; name: string; email: string; account: boolean }) {
  const { act, sending, trouble, of } = useTold(props.action, { name: props.name });
  const zone = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (zone.current) zone.current.value = Intl.DateTimeFormat().resolvedOptions().timeZone;
  }, []);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <input ref={zone} type="hidden" name="timeZone" defaultValue="" />
      {props.account ? (
        <p>There is an account under {props.email} already: accept, then sign in as ever.</p>
      ) : (
        <>
          <TextField
            label="Your name, as classmates see it"
            name="name"
            defaultValue={of('name')}
            required
            maxLength={200}
            autoComplete="name"
          />
          <input type="hidden" name="username" autoComplete="username" value={props.email} readOnly />
          <NewPasswordField name="password" />
        </>
      )}
      <button type="submit" className="btn go justify-self-start" disabled={sending}>
        {sending ? 'Accepting…' : 'Accept'}
      </button>
    </form>
  );
}
