import Link from 'next/link';
import {
  collegeAt,
  mailboxAt,
  stewardsCourseAt,
  stewardsCoursesAt,
  stewardsLogAt,
  stewardsPeopleAt,
} from '@/contract/addresses';
import type { StewardHome } from '@/contract/stewards';
import { list, plural } from '../words/plural';
import { moment } from '../words/time';
import { Plate } from './frame';
import { LogLines } from './log';

type Step = { title: string; why: string; href: string; label: string };

const NEXT: Record<Exclude<StewardHome['todo'][number], 'asking'>, Step> = {
  course: {
    title: 'Make the first course',
    why: 'A code, a title and a time zone are enough. It is empty until its staff fill it.',
    href: stewardsCoursesAt(),
    label: 'Make a course',
  },
  instructor: {
    title: 'Say who teaches',
    why: 'A course without an instructor has nobody to write its prompts. An invitation goes by mail.',
    href: stewardsCoursesAt(),
    label: 'Choose the course',
  },
  students: {
    title: 'Bring the class in',
    why: 'By a roster (CSV) that you look at before anybody is invited, one by one, or by a code they type.',
    href: stewardsCoursesAt(),
    label: 'Choose the course',
  },
  help: {
    title: 'Say where help is found',
    why: 'A telephone number and hours. They stand on the sign-in page and wherever something goes wrong.',
    href: collegeAt(),
    label: 'Say it',
  },
};

/** Who asks to be let in, as the next thing to do: the first course that somebody asks for. */
function askingStep(asking: StewardHome['asking']): Step {
  const n = asking.reduce((sum, c) => sum + c.n, 0);
  const [first] = asking;
  return {
    title: `${plural(n, 'person asks', 'people ask')} to be let in`,
    why: `Into ${list(asking.map((c) => c.code))}, by a code that wants your word. They wait until you let them in or refuse.`,
    href: first ? stewardsCourseAt(first.id) : stewardsCoursesAt(),
    label: 'Look at who asks',
  };
}

/** What there is, what to do next, whether mail leaves, and what was done last. */
export function Home({ home, zone }: { home: StewardHome; zone: string }) {
  const { figures, mail } = home;
  const [next, ...later] = home.todo.map((t) => (t === 'asking' ? askingStep(home.asking) : NEXT[t]));
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[1fr_380px]">
      <div className="grid gap-5">
        <section aria-labelledby="next" className="plate border-l-4 border-l-pine px-5 py-4">
          <h2 id="next" className="text-[18px]">
            {next ? next.title : 'Nothing waits for you'}
          </h2>
          <p className="mt-1 text-ink-2">
            {next
              ? next.why
              : 'Courses have staff and students, and help is said. Invitations that are open stand under People.'}
          </p>
          {next ? (
            <p className="mt-3">
              <Link className="btn go" href={next.href}>
                {next.label}
              </Link>
            </p>
          ) : null}
          {later.length ? (
            <ul className="mt-3 list-disc pl-5 text-[13.5px] text-ink-2">
              {later.map((t) => (
                <li key={t.title}>
                  Then:{' '}
                  <Link className="link" href={t.href}>
                    {t.title.toLowerCase()}
                  </Link>
                </li>
              ))}
            </ul>
          ) : null}
        </section>
        <Plate
          id="last"
          title="What was done last"
          aside={
            <Link className="link text-[13px]" href={stewardsLogAt()}>
              The whole log
            </Link>
          }
        >
          <LogLines lines={home.log} zone={zone} />
        </Plate>
      </div>
      <div className="grid gap-5">
        <dl className="plate grid grid-cols-3 divide-x divide-rule-soft text-center">
          {[
            ['People', figures.people, stewardsPeopleAt()],
            ['Courses', figures.courses, stewardsCoursesAt()],
            ['Invited', figures.invited, stewardsPeopleAt()],
          ].map(([label, n, href]) => (
            <div key={label} className="flex flex-col-reverse px-2 py-3">
              <dt className="text-[12.5px] text-ink-2">{label}</dt>
              <dd className="font-serif text-[24px] font-semibold">
                <Link href={String(href)} className="title-link">
                  {n}
                </Link>
              </dd>
            </div>
          ))}
        </dl>
        <Plate id="mail" title="Mail">
          <p className="px-5 py-3">
            {mail.waiting
              ? `${plural(mail.waiting, 'mail')} waiting to leave, the oldest since ${moment(mail.since ?? 0, zone)}.`
              : 'Everything that was to be sent has left.'}
            {mail.givenUp ? ` ${plural(mail.givenUp, 'mail')} of the last week could not be delivered.` : ''}
            {mail.trouble ? ` The last trouble: ${mail.trouble}` : ''}
          </p>
          <p className="px-5 pb-3">
            <Link className="link text-[13px]" href={mailboxAt()}>
              The mailbox
            </Link>
          </p>
        </Plate>
        <Plate id="promise" title="What stewards see">
          <p className="px-5 py-3 text-[13.5px] text-ink-2">
            People, roles, courses, and how the installation runs. Never a private reply, a note to oneself or
            a draft. What stewards do stands in the log, and nobody can take it out.
          </p>
        </Plate>
      </div>
    </div>
  );
}
