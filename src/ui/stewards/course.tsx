import Link from 'next/link';
import {
  bringRosterAt,
  courseActAt,
  courseAt,
  stewardsCourseAt,
  stewardsPersonAt,
} from '@/contract/addresses';
import type { CourseOfSteward } from '@/contract/stewards';
import { isStaff } from '@/core/ids';
import type { TellingAction } from '../people/told';
import { plural } from '../words/plural';
import { ActButton, Plate } from './frame';
import { Invitations } from './invitations';
import { InviteForm } from './invite-form';

/** A course as stewards look after it: its staff and class, who is invited or asks to come in, its roster and code. */
export function Course(props: { view: CourseOfSteward; zone: string; mine: boolean; invite: TellingAction }) {
  const { course, people, invitations, code, requests, leavers } = props.view;
  const act = courseActAt(course.id);
  const here = stewardsCourseAt(course.id);
  const staff = people.filter((p) => isStaff(p.role));
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[1fr_400px]">
      <div className="grid gap-5">
        {requests.length ? (
          <Plate id="asking" title={`${plural(requests.length, 'person asks', 'people ask')} to be let in`}>
            <ul>
              {requests.map((r) => (
                <li
                  key={r.person}
                  className="flex flex-wrap items-center gap-3 border-t border-rule-soft px-5 py-2.5 first:border-t-0"
                >
                  <span className="min-w-0 grow">
                    <b>{r.name}</b>
                    <span className="block text-[12.5px] break-all text-ink-2">{r.email}</span>
                  </span>
                  <span className="flex gap-2">
                    <ActButton
                      action={act}
                      act="let-in"
                      label="Let in"
                      name={`Let in ${r.name}`}
                      more={{ person: r.person }}
                    />
                    <ActButton
                      action={act}
                      act="refuse"
                      label="Refuse"
                      name={`Refuse ${r.name}`}
                      more={{ person: r.person }}
                    />
                  </span>
                </li>
              ))}
            </ul>
          </Plate>
        ) : null}
        <Plate id="invite" title={staff.length ? 'Invite somebody' : 'Invite who teaches it'}>
          <InviteForm
            action={props.invite}
            courses={[]}
            course={course.id}
            role={staff.length ? 'student' : 'instructor'}
          />
        </Plate>
        <Invitations lines={invitations} zone={props.zone} to={here} />
        <Plate id="people" title={plural(people.length, 'person', 'people')}>
          {people.length ? (
            <ul className="sm:columns-2 sm:gap-0">
              {people.map((p) => (
                <li key={p.id} className="break-inside-avoid px-5 py-2">
                  <Link href={stewardsPersonAt(p.id)} className="title-link font-semibold break-words">
                    {p.name}
                  </Link>
                  <span className="block text-[12.5px] break-all text-ink-2">
                    {p.role} · {p.email}
                  </span>
                </li>
              ))}
            </ul>
          ) : (
            <p className="px-5 py-3 text-ink-2">Nobody is in it yet.</p>
          )}
        </Plate>
      </div>
      <div className="grid gap-5">
        <Plate id="roster" title="Bring a roster">
          <form
            action={bringRosterAt(course.id)}
            method="post"
            encType="multipart/form-data"
            className="grid gap-3 px-5 py-4"
          >
            <p className="text-[13.5px] text-ink-2">
              A CSV file with the columns <b>name</b> and <b>mail</b>, and <b>role</b> where not everybody is
              a student. You see what was read before anybody is invited.
            </p>
            <input
              type="file"
              name="file"
              accept=".csv,.tsv,.txt,text/csv"
              required
              aria-label="Roster file"
            />
            <button type="submit" className="btn justify-self-start">
              Look at it
            </button>
          </form>
        </Plate>
        <Plate id="code" title="A code to join by">
          <div className="grid gap-3 px-5 py-4">
            {code ? (
              <>
                <p className="font-mono text-[20px] font-semibold" data-code="">
                  {code.code}
                </p>
                <p className="text-[13.5px] text-ink-2">
                  Whoever has an account types it under “Your account” and{' '}
                  {code.approval ? 'asks to be let in; you decide here.' : 'is in at once, as a student.'}
                </p>
                <div className="flex flex-wrap gap-2">
                  <ActButton
                    action={act}
                    act="code"
                    label="A new code"
                    more={code.approval ? { approval: 'yes' } : {}}
                  />
                  <ActButton action={act} act="stop-code" label="Stop it" />
                </div>
              </>
            ) : (
              <form action={act} method="post" className="grid gap-3">
                <label className="flex items-center gap-2">
                  <input type="checkbox" name="approval" value="yes" defaultChecked /> Each one is let in by a
                  steward
                </label>
                <button type="submit" name="act" value="code" className="btn justify-self-start">
                  Make a code
                </button>
              </form>
            )}
          </div>
        </Plate>
        <Plate id="leavers" title="When somebody leaves">
          <form action={act} method="post" className="grid gap-2 px-5 py-4">
            <label className="flex items-start gap-2">
              <input
                type="radio"
                name="leavers"
                value="stay"
                defaultChecked={leavers === 'stay'}
                className="mt-1"
              />
              <span>What they shared stays, under “a former student”</span>
            </label>
            <label className="flex items-start gap-2">
              <input
                type="radio"
                name="leavers"
                value="withdraw"
                defaultChecked={leavers === 'withdraw'}
                className="mt-1"
              />
              <span>It is withdrawn and erased; replies to it stay</span>
            </label>
            <button type="submit" name="act" value="leavers" className="btn justify-self-start">
              Keep
            </button>
          </form>
        </Plate>
        {props.mine ? (
          <p>
            <Link className="link" href={courseAt(course.slug)}>
              To the course’s own pages
            </Link>
          </p>
        ) : null}
      </div>
    </div>
  );
}
