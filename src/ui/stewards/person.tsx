import { forgetPersonAt, personActAt } from '@/contract/addresses';
import type { PersonPage } from '@/contract/stewards';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { ActButton, Plate } from './frame';

const RoleChoice = ({ chosen, none, label }: { chosen: string; none: boolean; label: string }) => (
  <select name="role" defaultValue={chosen} aria-label={label} className="field w-auto">
    <option value="student">student</option>
    <option value="instructor">instructor</option>
    <option value="assistant">assistant</option>
    <option value="observer">observer</option>
    {none ? <option value="none">not in the course</option> : null}
  </select>
);

/** One person: their roles, their account, and what stewards may do about both. */
export function Person({ person, zone }: { person: PersonPage; zone: string }) {
  const action = personActAt(person.id);
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[1fr_380px]">
      <Plate id="roles" title="Courses and roles">
        <ul>
          {person.courses.map((c) => (
            <li key={c.id} className="border-t border-rule-soft px-5 py-3 first:border-t-0">
              <form action={action} method="post" className="flex flex-wrap items-center gap-3">
                <span className="min-w-0 grow">
                  <b>{c.code}</b> {c.title}
                  <span className="block text-[12.5px] text-ink-2">{plural(c.posts, 'post')} shared</span>
                </span>
                <input type="hidden" name="course" value={c.id} />
                <RoleChoice chosen={c.role} none={c.posts === 0} label={`Role in ${c.code}`} />
                <button type="submit" name="act" value="role" className="btn">
                  Change
                </button>
              </form>
            </li>
          ))}
          {person.others.length ? (
            <li className="border-t border-rule-soft px-5 py-3 first:border-t-0">
              <form action={action} method="post" className="flex flex-wrap items-center gap-3">
                <span className="grow">
                  <select name="course" aria-label="Another course" className="field w-auto">
                    {person.others.map((c) => (
                      <option key={c.id} value={c.id}>
                        {c.code} {c.title}
                      </option>
                    ))}
                  </select>
                </span>
                <RoleChoice chosen="student" none={false} label="Role in the other course" />
                <button type="submit" name="act" value="role" className="btn">
                  Let in
                </button>
              </form>
            </li>
          ) : null}
          {person.courses.length === 0 && person.others.length === 0 ? (
            <li className="px-5 py-3 text-ink-2">There is no course yet.</li>
          ) : null}
        </ul>
      </Plate>
      <Plate id="account" title="The account">
        <div className="grid gap-3 px-5 py-4">
          <p className="break-all">{person.email}</p>
          <p className="text-[13.5px] text-ink-2">
            {person.ended !== null
              ? `Ended ${moment(person.ended, zone)}: nobody can sign in with it. What was shared stays.`
              : person.signedIn
                ? `Signed in at ${plural(person.signedIn, 'place')}.`
                : 'Signed in nowhere.'}
            {person.steward ? ' Looks after this installation.' : ''}
            {person.me ? ' This is you.' : ''}
          </p>
          <div className="flex flex-wrap gap-2">
            {person.steward ? (
              <ActButton action={action} act="no-steward" label="End the stewardship" />
            ) : (
              <ActButton action={action} act="steward" label="Make a steward" />
            )}
            {person.signedIn ? (
              <ActButton action={action} act="sign-out" label="Sign out everywhere" />
            ) : null}
            {person.second ? (
              <ActButton action={action} act="no-second" label="Take the second factor away" />
            ) : null}
            {person.ended !== null ? (
              <ActButton action={action} act="reopen" label="Reopen the account" />
            ) : (
              <ActButton action={action} act="end" label="End the account" danger />
            )}
          </div>
          {person.ended !== null && !person.demo ? (
            <details>
              <summary className="link cursor-pointer">Erase it for good</summary>
              <form action={forgetPersonAt(person.id)} method="post" className="grid gap-2 pt-2">
                <p className="text-[13.5px]">
                  Name, address, drafts, notes, marks, files and earlier texts go, and nobody can bring them
                  back. What their classes read stays without a name, or is withdrawn where a course says so.
                </p>
                <button type="submit" className="btn justify-self-start border-brick text-brick">
                  Erase {person.name}
                </button>
              </form>
            </details>
          ) : null}
        </div>
      </Plate>
    </div>
  );
}
