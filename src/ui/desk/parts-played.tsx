import Link from 'next/link';
import { deskGroupsAt, deskPartsAt } from '@/contract/addresses';
import type { DeskPage } from '@/contract/desk';
import { plural } from '../words/plural';
import { TextField } from '../people/fields';
import { Part } from './part';

const nameOf = (page: DeskPage) => (id: string) => page.students.find((s) => s.id === id)?.name ?? '';

function Names({ names }: { names: readonly string[] }) {
  return names.length ? (
    <ul className="flex flex-wrap gap-1.5">
      {names.map((name) => (
        <li key={name} className="rounded-[5px] border border-rule bg-page px-2 py-0.5 text-[12.5px]">
          {name}
        </li>
      ))}
    </ul>
  ) : null;
}

const Student = ({ page, empty }: { page: DeskPage; empty?: string }) => (
  <label className="grid gap-1 font-semibold">
    Student
    <select name="person" className="field font-normal">
      {empty ? <option value="">{empty}</option> : null}
      {page.students.map((s) => (
        <option key={s.id} value={s.id}>
          {s.name}
        </option>
      ))}
    </select>
  </label>
);

/** The two sides of a discussion: who was given which. */
function Sides({ page, sides }: { page: DeskPage; sides: [string, string] }) {
  const action = deskPartsAt(page.course.slug, page.discussion.slug);
  const of = (side: number | null) =>
    page.students.filter((s) => (page.played.find((p) => p.person === s.id)?.side ?? null) === side);
  const none = of(null).length;
  return (
    <Part id="sides" title="Sides">
      {sides.map((name, i) => (
        <div key={name} className="grid gap-1">
          <p>
            <b>{name}</b> <span className="text-ink-2">{plural(of(i + 1).length, 'student')}</span>
          </p>
          <Names names={of(i + 1).map((s) => s.name)} />
        </div>
      ))}
      {none ? (
        <form action={action} method="post" className="flex flex-wrap items-center gap-2">
          <span className="grow">{plural(none, 'student has', 'students have')} no side yet</span>
          <button type="submit" name="act" value="deal-sides" className="btn go">
            Give out sides
          </button>
        </form>
      ) : null}
      {page.students.length ? (
        <details>
          <summary className="link w-fit min-h-6 text-[13.5px]">Change somebody’s side</summary>
          <form action={action} method="post" className="mt-2 grid gap-3">
            <Student page={page} />
            <label className="grid gap-1 font-semibold">
              Side
              <select name="side" className="field font-normal">
                <option value="1">{sides[0]}</option>
                <option value="2">{sides[1]}</option>
                <option value="">none</option>
              </select>
            </label>
            <p className="text-[12.5px] text-ink-2">
              Where only replies to the other side count, what counted before is counted anew.
            </p>
            <button type="submit" name="act" value="side" className="btn justify-self-start">
              Keep it
            </button>
          </form>
        </details>
      ) : null}
    </Part>
  );
}

/** Who leads a discussion, and the lead of those to come. */
function Leads({ page }: { page: DeskPage }) {
  const action = deskPartsAt(page.course.slug, page.discussion.slug);
  const leaders = page.played.filter((p) => p.leads).map((p) => nameOf(page)(p.person));
  return (
    <Part id="lead" title={leaders.length ? 'Who leads' : 'Nobody leads yet'}>
      <Names names={leaders} />
      <form action={action} method="post" className="flex flex-wrap items-end gap-2">
        <TextField
          label="Leaders each"
          name="each"
          type="number"
          min={1}
          max={20}
          defaultValue={Math.max(1, leaders.length)}
        />
        <button type="submit" name="act" value="deal-leads" className="btn">
          Deal it out from here on
        </button>
      </form>
      <p className="text-[12.5px] text-ink-2">
        Round the class: nobody leads again before everybody has. Later discussions that somebody leads
        already stay as they are.
      </p>
      {page.students.length ? (
        <details>
          <summary className="link w-fit min-h-6 text-[13.5px]">Name who leads this one</summary>
          <form action={action} method="post" className="mt-2 flex flex-wrap items-end gap-2">
            <Student page={page} empty="nobody" />
            <button type="submit" name="act" value="lead" className="btn">
              Keep it
            </button>
          </form>
        </details>
      ) : null}
    </Part>
  );
}

/** What is given to single students in a discussion. */
export function PartsPlayed({ page }: { page: DeskPage }) {
  return (
    <>
      {page.grouped ? (
        <Part id="groups" title="Held in groups">
          <p>
            Each group has a conversation of its own; you read all of them.{' '}
            <Link className="link" href={deskGroupsAt(page.course.slug)}>
              Who is in which
            </Link>
          </p>
        </Part>
      ) : null}
      {page.sides ? <Sides page={page} sides={page.sides} /> : null}
      {page.leads ? <Leads page={page} /> : null}
    </>
  );
}
