import Link from 'next/link';
import type { ReactNode } from 'react';
import { deskClassActAt, deskClassAt } from '@/contract/addresses';
import type { ClassLine, ClassPage } from '@/contract/desk';
import { AnnouncementWriter } from '../courses/announcement-writer';
import { Avatar } from '../frame/avatar';
import { WhenField } from '../frame/when-field';
import { TextField } from '../people/fields';
import { plural } from '../words/plural';
import { day } from '../words/time';

const HEAD = 'px-2 py-2 font-semibold';

function Row({ line, chosen, zone }: { line: ClassLine; chosen: boolean; zone: string }) {
  const { standing } = line;
  return (
    <tr className="border-t border-rule-soft has-[:checked]:bg-ochre-tint">
      <td className="py-2 pl-4">
        <input
          type="checkbox"
          name="person"
          value={line.id}
          defaultChecked={chosen}
          aria-label={line.name}
          className="block size-5 accent-pine"
        />
      </td>
      <th scope="row" className="px-2 py-2 text-left font-normal">
        <span className="flex items-center gap-2.5">
          <Avatar name={line.name} picture={line.picture} />
          <span className="min-w-0">
            <b className="block break-words">{line.name}</b>
            {line.moreHours ? (
              <span className="block text-[12.5px] text-ink-2">
                always {plural(line.moreHours, 'hour')} more
                {line.reason ? ` · ${line.reason}` : ''}
              </span>
            ) : null}
          </span>
        </span>
      </th>
      <td className="px-2 py-2 tabular-nums">
        {standing.responded} of {standing.opened}
        {standing.excused ? (
          <span className="block text-[12px] text-ink-2">excused from {standing.excused}</span>
        ) : null}
      </td>
      <td
        className={`px-2 py-2 tabular-nums ${standing.owed ? 'font-semibold text-ochre-ink' : 'text-ink-2'}`}
      >
        {standing.owed || '–'}
      </td>
      <td className={`px-2 py-2 tabular-nums ${standing.missed ? 'font-semibold' : 'text-ink-2'}`}>
        {standing.missed ? `in ${standing.missed}` : '–'}
      </td>
      <td className="hidden px-2 py-2 pr-4 text-[13px] text-ink-2 sm:table-cell">
        {line.lastSeen === null ? 'never' : day(line.lastSeen, zone)}
      </td>
    </tr>
  );
}

function Part({ id, title, children }: { id: string; title: string; children: ReactNode }) {
  return (
    <details
      className="group border-t border-rule-soft px-5 py-3 first:border-t-0"
      name="for-the-chosen"
      open={id === 'write'}
    >
      <summary id={id} className="min-h-7 cursor-pointer font-serif text-[16px] font-semibold">
        {title}
      </summary>
      <div className="grid gap-3 pt-3">{children}</div>
    </details>
  );
}

const Why = () => <TextField label="Why" name="reason" maxLength={600} hint="Only staff read this." />;

function Discussion({ page }: { page: ClassPage }) {
  return (
    <label className="grid gap-1 font-semibold">
      Discussion
      <select name="discussion" className="field font-normal" defaultValue={page.discussions.at(-1)?.slug}>
        {page.discussions.map((d) => (
          <option key={d.slug} value={d.slug}>
            Week {d.week}: {d.title}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is done for whoever is chosen on the left page. */
function ForTheChosen({ page, author }: { page: ClassPage; author: string }) {
  return (
    <div id="for-the-chosen" className="grid content-start lg:sticky lg:top-2">
      <div className="border-b border-rule px-5 py-3">
        <h2 className="text-[18px]">For whom you chose</h2>
        <p className="text-[12.5px] text-ink-2">Nobody sees who else was chosen.</p>
      </div>
      <Part id="write" title="Write to them">
        <TextField label="Title" name="title" maxLength={200} />
        <AnnouncementWriter
          course={page.course.slug}
          author={author}
          keptAs={`announcement ${page.course.slug} to some ${page.announced}`}
        />
        <label className="grid justify-items-start gap-1 font-semibold">
          When, by the course’s clock
          <WhenField className="field font-normal" name="at" wall="" />
          <span className="text-[12.5px] font-normal text-ink-2">Empty: at once</span>
        </label>
        <button type="submit" name="act" value="tell" className="btn go justify-self-start">
          Send it to them alone
        </button>
      </Part>
      {page.discussions.length ? (
        <Part id="more" title="More time in one discussion">
          <Discussion page={page} />
          <label className="grid gap-1 font-semibold">
            Response until
            <WhenField className="field font-normal" name="responseDue" wall="" />
          </label>
          <label className="grid gap-1 font-semibold">
            Replies until
            <WhenField className="field font-normal" name="repliesDue" wall="" />
          </label>
          <Why />
          <div className="flex flex-wrap gap-2">
            <button type="submit" name="act" value="extend" className="btn">
              Give more time
            </button>
            <button type="submit" name="act" value="excuse" className="btn">
              Excuse from it
            </button>
          </div>
        </Part>
      ) : null}
      <Part id="always" title="More time all term">
        <p className="text-[13.5px] text-ink-2">
          For every deadline of this course, also of what is still to come. Where an extension gives more,
          that holds.
        </p>
        <TextField label="Hours more" name="hours" type="number" min={1} max={336} defaultValue={24} />
        <Why />
        <div className="flex flex-wrap gap-2">
          <button type="submit" name="act" value="hours" className="btn">
            From now on
          </button>
          <button type="submit" name="act" value="no-hours" className="btn">
            No more of it
          </button>
        </div>
      </Part>
    </div>
  );
}

/** The class at the desk: how each student stands on the left page, what is done for some of them on the right. */
export function DeskClass({ page, author, zone }: { page: ClassPage; author: string; zone: string }) {
  const { course, students, chosen, total } = page;
  const at = (query: Parameters<typeof deskClassAt>[1]) => deskClassAt(course.slug, query);
  const ways: [string, string, string][] = [
    ['', 'Nobody', at({})],
    ['all', 'Everybody', at({ choose: 'all' })],
    ['owe', 'Who owes something', at({ choose: 'owe' })],
    ['missed', 'Who missed something', at({ choose: 'missed' })],
  ];
  return (
    <form action={deskClassActAt(course.slug)} method="post">
      <div className="plate grid overflow-clip lg:grid-cols-[minmax(0,1fr)_360px]">
        <section aria-labelledby="class" className="min-w-0">
          <div className="grid gap-2 border-b border-rule px-4 py-2.5">
            <h2 id="class" className="text-[18px]">
              {plural(total, 'student')}
            </h2>
            <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px]">
              <span className="text-ink-2">Choose:</span>
              {ways.map(([how, name, href]) => (
                <Link
                  key={how}
                  href={href}
                  className="link inline-flex min-h-6 items-center"
                  aria-current={page.choose === how ? 'true' : undefined}
                >
                  {name}
                </Link>
              ))}
              <a href="#for-the-chosen" className="link inline-flex min-h-6 items-center lg:hidden">
                What to do for them
              </a>
              {page.silentIn ? (
                <span>
                  Chosen: who has shared no response in <b>{page.silentIn}</b>
                </span>
              ) : null}
            </p>
          </div>
          {students.length ? (
            <table className="w-full text-left text-[14px]">
              <thead className="text-[12px] text-ink-2">
                <tr>
                  <td className="w-9" />
                  <th scope="col" className={HEAD}>
                    Name
                  </th>
                  <th scope="col" className={HEAD}>
                    Responded
                  </th>
                  <th scope="col" className={HEAD}>
                    Owes now
                  </th>
                  <th scope="col" className={HEAD}>
                    Missed
                  </th>
                  <th scope="col" className={`hidden sm:table-cell ${HEAD}`}>
                    Last here
                  </th>
                </tr>
              </thead>
              <tbody>
                {students.map((line) => (
                  <Row key={line.id} line={line} chosen={chosen.includes(line.id)} zone={zone} />
                ))}
              </tbody>
            </table>
          ) : (
            <p className="px-4 py-5 text-ink-2">There is no student in this course yet.</p>
          )}
          {page.pages > 1 ? (
            <nav
              aria-label="More of the class"
              className="flex items-center gap-3 border-t border-rule px-4 py-3"
            >
              {page.page > 1 ? (
                <Link className="btn" href={at({ page: page.page - 1 })}>
                  Before
                </Link>
              ) : null}
              <span className="text-[13px] text-ink-2">
                Page {page.page} of {page.pages}
              </span>
              {page.page < page.pages ? (
                <Link className="btn" href={at({ page: page.page + 1 })}>
                  After
                </Link>
              ) : null}
            </nav>
          ) : null}
        </section>
        <div className="border-rule bg-page-2 max-lg:border-t lg:border-l">
          {students.length ? <ForTheChosen page={page} author={author} /> : null}
        </div>
      </div>
    </form>
  );
}
