'use client';

import { useActionState } from 'react';
import { accountAt } from '@/contract/addresses';
import type { AccountPage } from '@/contract/account';
import { TextField, Trouble } from '../people/fields';
import { troubleOf, type TellingAction } from '../people/told';
import { useTold } from '../people/use-told';
import { plural } from '../words/plural';
import { Known } from './known';
import { RecoveryCodes } from './recovery-codes';
import { NO_CODES, type CodesAction } from './told-codes';

/** Setting a second factor up: the authenticator is given its secret, and shows that it has it. */
export function SecondSetUp(props: {
  action: CodesAction;
  secret: string;
  address: string;
  /** The address as a picture of squares. */
  picture: string;
}) {
  const [{ told, codes }, act, sending] = useActionState(props.action, NO_CODES);
  return (
    <main id="main" className="mx-auto grid max-w-[720px] gap-5 px-4 py-6 sm:px-7">
      <h1 className="text-[25px] leading-tight">A second factor</h1>
      {codes ? (
        <section className="plate grid gap-4 px-5 py-4">
          <p role="status" className="font-medium">
            It works: from now on a code of your authenticator is asked for beside your password.
          </p>
          <RecoveryCodes codes={codes} rank="h2" />
          <p>
            <a className="btn go" href={accountAt()}>
              I have kept them
            </a>
          </p>
        </section>
      ) : (
        <section className="plate grid gap-5 px-5 py-4 sm:grid-cols-[200px_1fr]">
          <div className="rounded-control bg-white p-1 sm:self-start">
            {/* A picture made by the server for this page alone. */}
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img
              src={props.picture}
              alt="The same secret as a picture, for the camera of an authenticator"
              className="w-full"
            />
          </div>
          <form action={act} className="grid content-start gap-3">
            <Trouble text={troubleOf(told)} />
            <p>
              Let your authenticator read the picture, or type this into it. It then shows a new code every
              half minute.
            </p>
            <p className="rounded-control border border-rule px-3 py-2 font-mono break-all">
              {props.secret.replace(/(.{4})(?=.)/gu, '$1 ')}
            </p>
            <p>
              <a className="link text-[13px]" href={props.address}>
                Open it in an authenticator on this device
              </a>
            </p>
            <TextField
              label="The code it shows now"
              name="code"
              inputMode="numeric"
              autoComplete="one-time-code"
              required
              maxLength={20}
              hint="Only when this was right once is it asked for."
            />
            <div className="flex flex-wrap gap-2">
              <button type="submit" className="btn go" disabled={sending}>
                {sending ? 'Looking…' : 'That is it'}
              </button>
              <a className="btn" href={accountAt()}>
                Not now
              </a>
            </div>
          </form>
        </section>
      )}
    </main>
  );
}

function Begin({ action, hasPassword }: { action: TellingAction; hasPassword: boolean }) {
  const { act, sending, trouble } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <p className="text-[13.5px] text-ink-2">
        Beside your password a code is asked for that only your authenticator shows. Whoever finds out your
        password is not in then.
      </p>
      <Known id="password-for-second" hasPassword={hasPassword} />
      <button type="submit" className="btn justify-self-start" disabled={sending}>
        Set one up
      </button>
    </form>
  );
}

function Renew({ action, hasPassword }: { action: CodesAction; hasPassword: boolean }) {
  const [{ told, codes }, act, sending] = useActionState(action, NO_CODES);
  if (codes) return <RecoveryCodes codes={codes} rank="h3" />;
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={troubleOf(told)} />
      <Known id="password-for-codes" hasPassword={hasPassword} />
      <button type="submit" className="btn justify-self-start" disabled={sending}>
        Make new recovery codes
      </button>
    </form>
  );
}

function End({ action, hasPassword }: { action: TellingAction; hasPassword: boolean }) {
  const { act, sending, trouble } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <Known id="password-to-end-second" hasPassword={hasPassword} />
      <button type="submit" className="btn justify-self-start border-brick text-brick" disabled={sending}>
        Ask for it no more
      </button>
    </form>
  );
}

/** How an own second factor stands, and what is done about it. */
export function SecondPart(props: {
  account: AccountPage;
  actions: { beginSecond: TellingAction; renewCodes: CodesAction; endSecond: TellingAction };
}) {
  const { second, hasPassword } = props.account;
  const { beginSecond, renewCodes, endSecond } = props.actions;
  if (!second.on && !hasPassword)
    return (
      <p className="text-ink-2">
        It is asked for beside a password, and you have none here: the way you come in is as safe as it is
        made there. Where you set a password, set one up with it.
      </p>
    );
  if (!second.on) return <Begin action={beginSecond} hasPassword={hasPassword} />;
  return (
    <>
      <p>
        On: a code of your authenticator is asked for.{' '}
        {second.codesLeft
          ? `${plural(second.codesLeft, 'recovery code')} left.`
          : 'No recovery code is left.'}
      </p>
      <details className="group">
        <summary className="link cursor-pointer">New recovery codes</summary>
        <div className="pt-3">
          <Renew action={renewCodes} hasPassword={hasPassword} />
        </div>
      </details>
      <details>
        <summary className="link cursor-pointer">Without a second factor again</summary>
        <div className="pt-3">
          <End action={endSecond} hasPassword={hasPassword} />
        </div>
      </details>
    </>
  );
}
