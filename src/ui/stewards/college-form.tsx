'use client';

import type { CollegeView } from '@/contract/stewards';
import { TextField, Trouble, ZoneField } from '../people/fields';
import type { TellingAction } from '../people/told';
import { useTold } from '../people/use-told';
import { Plate } from './frame';

/** Whose installation it is, and where help is found. */
export function CollegeForm(props: {
  action: TellingAction;
  college: CollegeView;
  zones: readonly string[];
}) {
  const { name, timeZone, help, alone } = props.college;
  const { act, sending, trouble, of } = useTold(props.action, {
    name,
    timeZone,
    ...help,
    alone: alone ? 'yes' : '',
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
        <label className="flex items-start gap-2 px-5 py-4">
          <input
            type="checkbox"
            name="alone"
            value="yes"
            defaultChecked={of('alone') === 'yes'}
            className="mt-1"
          />
          <span>
            Anybody may make an account for themselves
            <span className="block text-[12.5px] text-ink-2">
              For prompts of courses that live elsewhere, which they bring in themselves. They are in no
              course here and see nobody.
            </span>
          </span>
        </label>
      </Plate>
      <div className="lg:col-span-2">
        <button type="submit" className="btn go" disabled={sending}>
          {sending ? 'Keeping…' : 'Keep'}
        </button>
      </div>
    </form>
  );
}
