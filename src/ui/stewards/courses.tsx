'use client';

import Link from 'next/link';
import { stewardsCourseAt } from '@/contract/addresses';
import type { CourseLine } from '@/contract/stewards';
import { TextField, Trouble, ZoneField } from '../people/fields';
import type { TellingAction } from '../people/told';
import { useTold } from '../people/use-told';
import { plural } from '../words/plural';
import { Plate } from './frame';

/** Every course, and making one. */
export function Courses(props: {
  courses: readonly CourseLine[];
  zones: readonly string[];
  zone: string;
  make: TellingAction;
}) {
  const { act, sending, trouble, of } = useTold(props.make);
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[1fr_380px]">
      <Plate id="courses" title={plural(props.courses.length, 'course')}>
        {props.courses.length ? (
          <ul>
            {props.courses.map((c) => (
              <li key={c.id} className="border-t border-rule-soft px-5 py-3 first:border-t-0">
                <Link href={stewardsCourseAt(c.id)} className="title-link font-semibold">
                  {c.code} {c.title}
                  {c.term ? <span className="font-normal text-ink-2"> · {c.term}</span> : null}
                </Link>
                <span className="block text-[12.5px] text-ink-2">
                  {plural(c.students, 'student')} · {c.staff ? `${c.staff} staff` : 'no staff yet'}
                  {c.invited ? ` · ${c.invited} invited` : ''} · {c.zone.replace(/_/gu, ' ')}
                </span>
              </li>
            ))}
          </ul>
        ) : (
          <p className="px-5 py-3 text-ink-2">No course yet. The first is made beside this.</p>
        )}
      </Plate>
      <Plate id="make" title="Make a course">
        <form action={act} className="grid gap-3 px-5 py-4">
          <Trouble text={trouble} />
          <TextField
            label="Code"
            name="code"
            defaultValue={of('code')}
            required
            maxLength={40}
            placeholder="BIO 210"
            hint="Short; it stands before the title everywhere."
          />
          <TextField
            label="Term"
            name="term"
            defaultValue={of('term')}
            maxLength={60}
            placeholder="Autumn 2026"
            hint="A code can be there once each term."
          />
          <TextField label="Title" name="title" defaultValue={of('title')} required maxLength={200} />
          <ZoneField
            label="Time zone of its deadlines"
            name="timeZone"
            zones={props.zones}
            chosen={of('timeZone') || props.zone}
          />
          <button type="submit" className="btn go justify-self-start" disabled={sending}>
            {sending ? 'Making…' : 'Make it'}
          </button>
        </form>
      </Plate>
    </div>
  );
}
