'use client';

import { Labelled, TextField, Trouble } from '../people/fields';
import type { TellingAction } from '../people/told';
import { useTold } from '../people/use-told';

type Course = { id: string; code: string };

/** Invites one person: into a course in a role, or as a steward. */
export function InviteForm(props: {
  action: TellingAction;
  courses: readonly Course[];
  course?: string;
  role?: string;
}) {
  const { act, sending, trouble, of } = useTold(props.action, {
    course: props.course ?? '',
    role: props.role ?? '',
  });
  return (
    <form
      action={act}
      className={`grid items-start gap-3 px-5 py-4 ${props.course ? 'sm:grid-cols-2' : 'sm:grid-cols-2 lg:grid-cols-1'}`}
    >
      <div className="empty:hidden sm:col-span-2">
        <Trouble text={trouble} />
      </div>
      <TextField
        label="Mail address"
        name="email"
        type="email"
        defaultValue={of('email')}
        required
        maxLength={320}
        autoComplete="off"
      />
      <TextField
        label="Name"
        name="name"
        defaultValue={of('name')}
        maxLength={200}
        autoComplete="off"
        hint="They can say it differently themselves."
      />
      <Labelled label="As">
        <select
          name="role"
          defaultValue={of('role') || 'student'}
          key={`r${of('role')}`}
          className="field font-normal"
        >
          <option value="student">a student</option>
          <option value="instructor">an instructor</option>
          <option value="assistant">an assistant</option>
          <option value="observer">an observer, who reads along</option>
          {props.course ? null : <option value="steward">a steward of this installation</option>}
        </select>
      </Labelled>
      {props.course ? (
        <input type="hidden" name="course" value={props.course} />
      ) : (
        <Labelled label="Of the course">
          <select
            name="course"
            defaultValue={of('course')}
            key={`c${of('course')}`}
            className="field font-normal"
          >
            <option value="">no course (a steward)</option>
            {props.courses.map((c) => (
              <option key={c.id} value={c.id}>
                {c.code}
              </option>
            ))}
          </select>
        </Labelled>
      )}
      <div className="self-end">
        <button type="submit" className="btn go" disabled={sending}>
          {sending ? 'Inviting…' : 'Invite'}
        </button>
      </div>
    </form>
  );
}
