'use client';

import { startRegistration } from '@simplewebauthn/browser';
import { useState, type FormEvent } from 'react';
import { accountAt, dropPasskeyAt } from '@/contract/addresses';
import type { AccountPage } from '@/contract/account';
import { newPasskey, newPasskeyAsk } from '@/contract/ways-in';
import { TextField, Trouble } from '../people/fields';
import { call } from '../request/call';
import { peopleTrouble } from '../words/people';
import { moment } from '../words/time';
import { Known } from './known';

const field = (form: FormData, name: string) => {
  const value = form.get(name);
  return typeof value === 'string' ? value : '';
};

/** Makes a passkey and keeps it; a code says what went wrong. */
async function make(form: FormData): Promise<string | null> {
  const asked = await call(newPasskeyAsk, {}, { password: field(form, 'password') });
  if (!asked.ok) return asked.code;
  // Whoever presses "cancel", or has no device for it, has made none.
  const response = await startRegistration({ optionsJSON: asked.value.options }).catch(() => null);
  if (!response) return 'no-passkey';
  const kept = await call(newPasskey, {}, { name: field(form, 'name'), response });
  return kept.ok ? null : kept.code;
}

/** One's passkeys, and the way to make another. */
export function Passkeys({ account }: { account: AccountPage }) {
  const { passkeys, hasPassword, timeZone } = account;
  const [trouble, setTrouble] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setMaking(true);
    setTrouble(null);
    const wrong = await make(new FormData(event.currentTarget));
    if (wrong === null) location.assign(accountAt({ answer: 'passkey-made' }));
    else setTrouble(peopleTrouble(wrong));
    setMaking(false);
  };
  return (
    <>
      <p className="text-[13.5px] text-ink-2">
        A passkey signs you in without a password: by your finger, your face or the lock of your device.
      </p>
      {passkeys.length ? (
        <ul className="grid gap-2">
          {passkeys.map((k) => (
            <li key={k.id} className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <span className="min-w-0 grow">
                <b className="break-words">{k.name}</b>
                <span className="block text-[12.5px] text-ink-2">
                  made {moment(k.made, timeZone)} ·{' '}
                  {k.used === null ? 'not used yet' : `last used ${moment(k.used, timeZone)}`}
                </span>
              </span>
              <form action={dropPasskeyAt()} method="post">
                <button
                  type="submit"
                  name="passkey"
                  value={k.id}
                  className="btn"
                  aria-label={`Take away ${k.name}`}
                >
                  Take away
                </button>
              </form>
            </li>
          ))}
        </ul>
      ) : null}
      <details>
        <summary className="link cursor-pointer">Add a passkey</summary>
        <form onSubmit={(event) => void send(event)} className="grid gap-3 pt-3">
          <Trouble text={trouble} />
          <TextField
            label="What you call it"
            name="name"
            required
            maxLength={100}
            placeholder="My telephone"
            autoComplete="off"
          />
          <Known id="password-for-passkey" hasPassword={hasPassword} />
          <button type="submit" className="btn justify-self-start" disabled={making}>
            {making ? 'Making…' : 'Make it on this device'}
          </button>
        </form>
      </details>
    </>
  );
}
