import Link from 'next/link';
import type { ReactNode } from 'react';
import { deskClassAt, deskDiscussionAt, deskGroupsActAt } from '@/contract/addresses';
import type { Groupable, GroupsPage } from '@/contract/desk';
import { TIMES } from '@/core/desk/groups';
import { TextField } from '../people/fields';
import { plural } from '../words/plural';

type Group = GroupsPage['groups'][number];

/** Names to choose from. What is alike on all of them is said once: there may be hundreds. */
function Members({ people }: { people: readonly Groupable[] }) {
  return (
    <ul className="grid gap-x-4 break-words sm:grid-cols-2 [&>li]:min-w-0 [&_input]:size-5 [&_input]:shrink-0 [&_input]:accent-pine [&_label]:flex [&_label]:min-h-8 [&_label]:min-w-0 [&_label]:items-center [&_label]:gap-2.5 [&_label]:py-0.5">
      {people.map((p) => (
        <li key={p.id}>
          <label>
            <input type="checkbox" name="person" value={p.id} form="move-them" />
            {p.name}
          </label>
        </li>
      ))}
    </ul>
  );
}

const togetherText = (group: Group): string => {
  const said = group.members.filter((m) => m.hasTimes).length;
  if (said === 0) return '';
  const common =
    said < 2 || group.together === TIMES
      ? ''
      : group.together
        ? `, with ${plural(group.together, 'time')} of the week in common`
        : ', with no time of the week in common';
  return ` · ${said} said their times${common}`;
};

function Sheet({ title, detail, children }: { title: string; detail: string; children: ReactNode }) {
  return (
    <section className="grid gap-1.5 border-t border-rule-soft px-4 py-3 first:border-t-0">
      <h3 className="text-[16px]">
        {title} <span className="font-sans text-[12.5px] font-normal text-ink-2">{detail}</span>
      </h3>
      {children}
    </section>
  );
}

function GroupSheet({ group, course, action }: { group: Group; course: string; action: string }) {
  return (
    <Sheet title={group.name} detail={`${plural(group.members.length, 'student')}${togetherText(group)}`}>
      <Members people={group.members} />
      {group.members.length ? (
        <p className="text-[13.5px]">
          <Link
            className="link inline-flex min-h-6 items-center"
            href={deskClassAt(course, { choose: `group-${group.id}` })}
          >
            Write to {group.name}
          </Link>
        </p>
      ) : null}
      <details className="text-[13.5px]">
        <summary className="link w-fit min-h-6">Change {group.name}</summary>
        <form action={action} method="post" className="mt-2 flex flex-wrap items-end gap-2">
          <input type="hidden" name="group" value={group.id} />
          <TextField label="Name" name="name" defaultValue={group.name} maxLength={60} required />
          <button type="submit" name="act" value="rename" className="btn">
            Keep the name
          </button>
          {group.posts === 0 ? (
            <button
              type="submit"
              name="act"
              value="drop"
              className="btn border-brick text-brick"
              aria-label={`Take ${group.name} away`}
            >
              Take it away
            </button>
          ) : (
            <span className="text-[12.5px] text-ink-2">
              {plural(group.posts, 'post')} in it: the group stays.
            </span>
          )}
        </form>
      </details>
    </Sheet>
  );
}

function Deal({ page, action }: { page: GroupsPage; action: string }) {
  const all = page.groups.reduce((n, g) => n + g.members.length, page.ungrouped.length);
  const usual = page.groups.length || Math.max(2, Math.round(all / 6));
  return (
    <form action={action} method="post" className="grid gap-3 border-t border-rule-soft px-5 py-4">
      <h3 className="text-[16px]">Deal the class out</h3>
      <TextField label="Groups" name="groups" type="number" min={1} max={100} defaultValue={usual} />
      <label className="grid gap-1 font-semibold">
        How
        <select name="how" className="field font-normal" defaultValue="chance">
          <option value="chance">by chance</option>
          <option value="times">by the times they can work</option>
        </select>
        <span className="text-[12.5px] font-normal text-ink-2">
          Students say their times under People. You do not see whose are which.
        </span>
      </label>
      <label className="grid gap-1 font-semibold">
        Whom
        <select
          name="whom"
          className="field font-normal"
          defaultValue={page.groups.length ? 'ungrouped' : 'everybody'}
        >
          <option value="ungrouped">who is in no group yet</option>
          <option value="everybody">everybody anew</option>
        </select>
      </label>
      <button type="submit" name="act" value="deal" className="btn justify-self-start">
        Deal them out
      </button>
    </form>
  );
}

/** The groups of a course on the left page; what is done with them on the right. */
export function DeskGroups({ page }: { page: GroupsPage }) {
  const { course, groups, ungrouped, used } = page;
  const action = deskGroupsActAt(course.slug);
  const nobody = groups.length === 0 && ungrouped.length === 0;
  return (
    <div className="plate grid overflow-clip lg:grid-cols-[minmax(0,1fr)_340px]">
      <section aria-labelledby="groups" className="min-w-0">
        <div className="border-b border-rule px-4 py-2.5">
          <h2 id="groups" className="text-[18px]">
            {groups.length ? plural(groups.length, 'group') : 'No groups yet'}
          </h2>
          <p className="text-[13px] text-ink-2">
            {used.length ? (
              <>
                Each has a conversation of its own in{' '}
                {used.map((d, i) => (
                  <span key={d.slug}>
                    {i ? ', ' : ''}
                    <Link className="link" href={deskDiscussionAt(course.slug, d.slug)}>
                      week {d.week}: {d.title}
                    </Link>
                  </span>
                ))}
                .
              </>
            ) : (
              'No discussion is held in groups yet: “Change what it asks” of a prompt says so.'
            )}
          </p>
        </div>
        {ungrouped.length ? (
          <Sheet title="In no group" detail={plural(ungrouped.length, 'student')}>
            <Members people={ungrouped} />
          </Sheet>
        ) : null}
        {groups.map((g) => (
          <GroupSheet key={g.id} group={g} course={course.slug} action={action} />
        ))}
        {nobody ? <p className="px-4 py-5 text-ink-2">There is no student in this course yet.</p> : null}
      </section>
      <div className="grid content-start border-rule bg-page-2 max-lg:border-t lg:border-l">
        <form id="move-them" action={action} method="post" className="grid gap-3 px-5 py-4">
          <h3 className="text-[16px]">Move whom you chose</h3>
          <label className="grid gap-1 font-semibold">
            Into
            <select name="group" className="field font-normal">
              {groups.map((g) => (
                <option key={g.id} value={g.id}>
                  {g.name}
                </option>
              ))}
              <option value="">no group</option>
            </select>
          </label>
          <p className="text-[12.5px] text-ink-2">
            What they wrote stays in the group it was written in, and counts as before. They go on reading the
            threads they wrote in.
          </p>
          <button type="submit" name="act" value="move" className="btn go justify-self-start">
            Move them
          </button>
        </form>
        <form action={action} method="post" className="grid gap-3 border-t border-rule-soft px-5 py-4">
          <h3 className="text-[16px]">Make a group</h3>
          <TextField label="Its name" name="name" maxLength={60} required />
          <button type="submit" name="act" value="make" className="btn justify-self-start">
            Make it
          </button>
        </form>
        <Deal page={page} action={action} />
      </div>
    </div>
  );
}
