'use client';

import type { CollegeView } from '@/contract/stewards';
import Link from 'next/link';
import { stewardsCorrectionsAt } from '@/contract/addresses';
import { TextField, Trouble, ZoneField } from '../people/fields';
import type { TellingAction } from '../people/told';
import { useTold } from '../people/use-told';
import { Plate } from './frame';

const yes = (on: boolean) => (on ? 'yes' : '');

const Choice = (props: { name: string; on: boolean; label: string; hint: string }) => (
  <label className="flex items-start gap-2">
    <input type="checkbox" name={props.name} value="yes" defaultChecked={props.on} className="mt-1" />
    <span>
      {props.label}
      <span className="block text-[12.5px] text-ink-2">{props.hint}</span>
    </span>
  </label>
);

const Amount = (props: { label: string; name: string; value: string; most: number }) => (
  <TextField
    label={props.label}
    name={props.name}
    type="number"
    inputMode="numeric"
    min={1}
    max={props.most}
    step={1}
    defaultValue={props.value}
    required
  />
);

/** Whose installation it is, and where help is found. */
export function CollegeForm(props: {
  action: TellingAction;
  college: CollegeView;
  zones: readonly string[];
  /** The college's own sign-on by its name, where the installation has one. */
  signOn: string | null;
}) {
  const { name, timeZone, help, alone, signOn, signOnNew, personMb, courseMb } = props.college;
  const { act, sending, trouble, of } = useTold(props.action, {
    name,
    timeZone,
    ...help,
    alone: yes(alone),
    signOn: yes(signOn),
    signOnNew: yes(signOnNew),
    personMb: String(personMb),
    courseMb: String(courseMb),
  });
  return (
    <form action={act} className="grid items-start gap-5 lg:grid-cols-2">
      <div className="empty:hidden lg:col-span-2">
        <Trouble text={trouble} />
      </div>
      <Plate id="college" title="The college">
        <div className="grid gap-3 px-5 py-4">
          <TextField
            label="Its name"
            name="name"
            defaultValue={of('name')}
            required
            maxLength={200}
            hint="On invitations, in mail, and on the sign-in page."
          />
          <ZoneField label="Its time zone" name="timeZone" zones={props.zones} chosen={of('timeZone')} />
        </div>
      </Plate>
      <Plate id="help" title="Where help is found">
        <div className="grid gap-3 px-5 py-4">
          <TextField
            label="Telephone"
            name="telephone"
            type="tel"
            defaultValue={of('telephone')}
            maxLength={100}
          />
          <TextField
            label="Mail address"
            name="mail"
            type="email"
            defaultValue={of('mail')}
            maxLength={320}
          />
          <TextField
            label="Hours"
            name="hours"
            defaultValue={of('hours')}
            maxLength={200}
            placeholder="Monday to Friday, 9 to 17"
          />
          <p className="text-[12.5px] text-ink-2">
            This stands on the sign-in page and on every page of trouble.
          </p>
        </div>
      </Plate>
      <Plate id="who" title="Who may come in">
        <div className="grid gap-3 px-5 py-4">
          <Choice
            name="alone"
            on={of('alone') === 'yes'}
            label="Anybody may make an account for themselves"
            hint="For prompts of courses that live elsewhere, which they bring in themselves. They are in no course here and see nobody."
          />
          {props.signOn ? (
            <>
              <Choice
                name="signOn"
                on={of('signOn') === 'yes'}
                label={`${props.signOn} signs people in`}
                hint="Beside passwords and passkeys. Whoever is invited, or has an account under the address it answers for, comes in."
              />
              <Choice
                name="signOnNew"
                on={of('signOnNew') === 'yes'}
                label={`Whoever ${props.signOn} lets in gets an account here`}
                hint="Invited or not. They are in no course until somebody lets them in."
              />
            </>
          ) : (
            <>
              {/* What is chosen for a sign-on stays chosen while there is none. */}
              <input type="hidden" name="signOn" value={of('signOn')} />
              <input type="hidden" name="signOnNew" value={of('signOnNew')} />
              <p className="text-[12.5px] text-ink-2">
                Where the college has a sign-on of its own (OpenID Connect), whoever runs this installation
                names it with PULPIT_SIGN_ON.
              </p>
            </>
          )}
        </div>
      </Plate>
      <Plate id="room" title="Room for files">
        <div className="grid gap-3 px-5 py-4">
          <Amount
            label="Of one person in a course, in MB"
            name="personMb"
            value={of('personMb')}
            most={100_000}
          />
          <Amount
            label="Of a course altogether, in MB"
            name="courseMb"
            value={of('courseMb')}
            most={10_000_000}
          />
          <p className="text-[12.5px] text-ink-2">
            What is there stays there when this is made less; only more is refused then, in words.
          </p>
        </div>
      </Plate>
      <p className="text-[13.5px] lg:col-span-2">
        <Link className="link" href={stewardsCorrectionsAt()}>
          What was put right of prompts
        </Link>{' '}
        and given to make their reading better: to look at, to save as a file, to delete.
      </p>
      <div className="lg:col-span-2">
        <button type="submit" className="btn go" disabled={sending}>
          {sending ? 'Keeping…' : 'Keep'}
        </button>
      </div>
    </form>
  );
}
