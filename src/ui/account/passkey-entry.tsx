'use client';

import { browserSupportsWebAuthn, startAuthentication } from '@simplewebauthn/browser';
import { useState, useSyncExternalStore } from 'react';
import { passkeyAsk, passkeyEnter } from '@/contract/ways-in';
import { Trouble } from '../people/fields';
import { call } from '../request/call';
import { peopleTrouble } from '../words/people';

async function enter(to: string): Promise<{ to: string } | { code: string }> {
  const asked = await call(passkeyAsk, {}, {});
  if (!asked.ok) return { code: asked.code };
  const response = await startAuthentication({ optionsJSON: asked.value.options }).catch(() => null);
  if (!response) return { code: 'no-passkey' };
  const done = await call(passkeyEnter, {}, { to, response });
  return done.ok ? done.value : { code: done.code };
}

const never = () => () => undefined;

/** Signing in by a passkey, where the browser knows of them. */
export function PasskeyEntry({ to }: { to: string }) {
  const can = useSyncExternalStore(never, browserSupportsWebAuthn, () => false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  if (!can) return null;
  const press = async () => {
    setAsking(true);
    setTrouble(null);
    const done = await enter(to);
    if ('to' in done) location.assign(done.to);
    else setTrouble(peopleTrouble(done.code));
    setAsking(false);
  };
  return (
    <div className="mt-3 grid gap-2">
      <Trouble text={trouble} />
      <button
        type="button"
        className="btn w-full justify-center"
        disabled={asking}
        onClick={() => void press()}
      >
        Sign in with a passkey
      </button>
    </div>
  );
}
