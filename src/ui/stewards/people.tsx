import Link from 'next/link';
import { stewardsPeopleAt, stewardsPersonAt } from '@/contract/addresses';
import type { PeopleList } from '@/contract/stewards';
import type { TellingAction } from '../people/told';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { Plate } from './frame';
import { Invitations } from './invitations';
import { InviteForm } from './invite-form';

/** Everybody with an account, and whoever was invited. */
export function PeopleRoom(props: {
  list: PeopleList;
  zone: string;
  courses: readonly { id: string; code: string }[];
  invite: TellingAction;
}) {
  const { list, zone } = props;
  const at = (page: number) => stewardsPeopleAt({ q: list.words || null, page: page > 1 ? page : null });
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[1fr_380px]">
      <Plate
        id="people"
        title={
          list.words
            ? `${plural(list.total, 'person', 'people')} with “${list.words}”`
            : plural(list.total, 'person', 'people')
        }
        aside={
          <form action={stewardsPeopleAt()} className="flex gap-2" role="search">
            <input
              className="field w-52"
              name="q"
              type="search"
              defaultValue={list.words}
              aria-label="Find a name or an address"
              placeholder="Name or address"
            />
            <button type="submit" className="btn">
              Find
            </button>
          </form>
        }
      >
        {list.people.length ? (
          <div className="overflow-x-auto">
            <table className="w-full text-left">
              <thead className="text-[12px] text-ink-2">
                <tr>
                  <th scope="col" className="px-5 py-2 font-semibold">
                    Name
                  </th>
                  <th scope="col" className="px-3 py-2 font-semibold">
                    Courses
                  </th>
                  <th scope="col" className="hidden px-5 py-2 font-semibold sm:table-cell">
                    Last here
                  </th>
                </tr>
              </thead>
              <tbody>
                {list.people.map((p) => (
                  <tr key={p.id} className="border-t border-rule-soft align-top">
                    <td className="max-w-[320px] px-5 py-2.5">
                      <Link href={stewardsPersonAt(p.id)} className="title-link font-semibold break-words">
                        {p.name}
                      </Link>
                      <span className="block text-[12.5px] [overflow-wrap:anywhere] text-ink-2">
                        {p.email}
                      </span>
                    </td>
                    <td className="px-3 py-2.5 text-[13px]">
                      {p.ended ? <b className="text-brick">ended </b> : null}
                      {p.steward ? <b>steward </b> : null}
                      {p.courses
                        .map((c) => (c.role === 'student' ? c.code : `${c.code} (${c.role})`))
                        .join(', ')}
                    </td>
                    <td className="hidden px-5 py-2.5 text-[13px] whitespace-nowrap text-ink-2 sm:table-cell">
                      {p.lastSeen === null ? 'never' : moment(p.lastSeen, zone)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        ) : (
          <p className="px-5 py-3 text-ink-2">Nobody. Try fewer letters, or look among the invited.</p>
        )}
        {list.pages > 1 ? (
          <nav
            aria-label="Pages of people"
            className="flex items-center gap-3 border-t border-rule-soft px-5 py-3"
          >
            {list.page > 1 ? (
              <Link className="btn" href={at(list.page - 1)}>
                Before
              </Link>
            ) : null}
            <span className="text-[13px] text-ink-2">
              Page {list.page} of {list.pages}
            </span>
            {list.page < list.pages ? (
              <Link className="btn" href={at(list.page + 1)}>
                Next
              </Link>
            ) : null}
          </nav>
        ) : null}
      </Plate>
      <div className="grid gap-5">
        <Plate id="invite" title="Invite somebody">
          <InviteForm action={props.invite} courses={props.courses} />
        </Plate>
        <Invitations lines={list.invitations} zone={zone} to={stewardsPeopleAt()} />
      </div>
    </div>
  );
}
