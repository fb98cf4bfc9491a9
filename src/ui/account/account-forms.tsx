'use client';

import type { AccountPage } from '@/contract/account';
import { Labelled, NewPasswordField, TextField, Trouble, ZoneField } from '../people/fields';
import type { TellingAction } from '../people/told';
import { useTold } from '../people/use-told';
import { DAYS_TO_REGRET } from '@/core/people/naming';
import { list } from '../words/plural';
import { Known } from './known';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'].map(
  (day, i): [string, string] => [String(i + 1), day],
);

function Choice(props: {
  label: string;
  name: string;
  chosen: string;
  options: readonly (readonly [value: string, words: string])[];
}) {
  return (
    <Labelled label={props.label}>
      <select name={props.name} defaultValue={props.chosen} key={props.chosen} className="field font-normal">
        {props.options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

/** Who one is here, and how one reads. */
export function SelfForm(props: { action: TellingAction; self: AccountPage; zones: readonly string[] }) {
  const { name, saidAs, timeZone, theme, spelling, clock, weekBegins } = props.self;
  const { act, sending, trouble, of } = useTold(props.action, {
    name,
    saidAs,
    timeZone,
    theme,
    spelling,
    clock,
    weekBegins: String(weekBegins),
  });
  return (
    <form action={act} className="grid items-start gap-3 sm:grid-cols-2">
      <div className="empty:hidden sm:col-span-2">
        <Trouble text={trouble} />
      </div>
      <TextField
        label="Your name, as classmates see it"
        name="name"
        defaultValue={of('name')}
        required
        maxLength={200}
        autoComplete="name"
      />
      <TextField
        label="How it is said"
        name="saidAs"
        defaultValue={of('saidAs')}
        maxLength={200}
        placeholder="ee-MAH-nee"
        hint="If you like: it stands beside your name in the list of people."
      />
      <ZoneField label="Your time zone" name="timeZone" zones={props.zones} chosen={of('timeZone')} />
      <Choice
        label="Spelling"
        name="spelling"
        chosen={of('spelling')}
        options={[
          ['en-GB', 'British'],
          ['en-US', 'American'],
        ]}
      />
      <Choice
        label="Clock"
        name="clock"
        chosen={of('clock')}
        options={[
          ['24', '24 hours (23:59)'],
          ['12', '12 hours (11:59 pm)'],
        ]}
      />
      <Choice label="A week begins on" name="weekBegins" chosen={of('weekBegins')} options={DAYS} />
      <Choice
        label="Paper"
        name="theme"
        chosen={of('theme')}
        options={[
          ['system', 'As the device'],
          ['light', 'Light'],
          ['dark', 'Dark'],
        ]}
      />
      <div className="flex items-end sm:col-span-2">
        <button type="submit" className="btn go" disabled={sending}>
          {sending ? 'Keeping…' : 'Keep'}
        </button>
      </div>
    </form>
  );
}

/** Changes the own password, or sets the first. */
export function PasswordForm({ action, hasPassword }: { action: TellingAction; hasPassword: boolean }) {
  const { act, sending, trouble } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <Known id="password-now" hasPassword={hasPassword} />
      <NewPasswordField name="nextPassword" label="New password" />
      <button type="submit" className="btn justify-self-start" disabled={sending}>
        {hasPassword ? 'Change the password' : 'Set a password'}
      </button>
    </form>
  );
}

/** Asks for another mail address. */
export function AddressForm(props: { action: TellingAction; email: string; hasPassword: boolean }) {
  const { action, email, hasPassword } = props;
  const { act, sending, trouble, of } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <p>
        You sign in as <b>{email}</b>.
      </p>
      <TextField
        label="New mail address"
        name="email"
        type="email"
        defaultValue={of('email')}
        required
        maxLength={320}
        autoComplete="email"
        hint="A link goes there; nothing changes until it is opened. The old address is told."
      />
      <Known id="password-for-address" hasPassword={hasPassword} />
      <button type="submit" className="btn justify-self-start" disabled={sending}>
        Send the link
      </button>
    </form>
  );
}

/** Ends the own account, after saying what goes and what stays. */
export function EndForm(props: {
  action: TellingAction;
  hasPassword: boolean;
  /** Courses where what one shared does not stay. */
  withdrawn: readonly string[];
}) {
  const { action, hasPassword, withdrawn } = props;
  const { act, sending, trouble } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <p>
        You are signed out everywhere at once, and nobody signs in with this account any more. For{' '}
        {DAYS_TO_REGRET} days a steward can open it again; then it is erased: your name, your address, drafts,
        notes, sources, marks, files, and every earlier text of what you shared. What the class reads of yours
        stays, under “a former student”
        {withdrawn.length ? `; in ${list([...withdrawn])} it is withdrawn and erased too` : ''}. Where
        classmates quote you or name you, that is theirs and stays.
      </p>
      <Known id="password-to-end" hasPassword={hasPassword} />
      <button type="submit" className="btn justify-self-start border-brick text-brick" disabled={sending}>
        End my account
      </button>
    </form>
  );
}

/** Into a course by the code that was given out. */
export function JoinForm({ action }: { action: TellingAction }) {
  const { act, sending, trouble, of } = useTold(action);
  return (
    <form action={act} className="grid gap-3">
      <Trouble text={trouble} />
      <TextField
        label="Code of a course"
        name="code"
        defaultValue={of('code')}
        required
        maxLength={60}
        autoComplete="off"
        spellCheck={false}
        placeholder="k7mq-2xhf-9tab"
      />
      <button type="submit" className="btn justify-self-start" disabled={sending}>
        Join
      </button>
    </form>
  );
}
