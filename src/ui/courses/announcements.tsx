import Link from 'next/link';
import { deskClassAt, newAnnouncementAt, takeBackAnnouncementAt } from '@/contract/addresses';
import { WhenField } from '../frame/when-field';
import { moment } from '../words/time';
import { plural } from '../words/plural';
import { AnnouncedText } from './announced-text';
import { Announcement } from './announcement';
import { AnnouncementWriter } from './announcement-writer';
import type { CourseAnnouncement, CourseView } from '@/contract/course';
import type { Doc } from '@/core/document/nodes';

type Begin = { title: string; doc: Doc } | null;

function Write(props: { course: CourseView; author: string; keptAs: string; begin: Begin }) {
  const { course, author, keptAs, begin } = props;
  return (
    <form action={newAnnouncementAt(course.slug)} method="post" className="plate grid gap-3 px-4 py-4">
      <h2 className="text-[16.5px]">Announce something</h2>
      <label className="grid gap-1 font-semibold">
        Title
        <input
          className="field font-normal"
          name="title"
          required
          maxLength={200}
          defaultValue={begin?.title}
        />
      </label>
      <AnnouncementWriter
        course={course.slug}
        author={author}
        keptAs={keptAs}
        begin={begin?.doc ?? null}
        required
      />
      <label className="grid justify-items-start gap-1 font-semibold">
        When, by the course’s clock
        <WhenField className="field w-64 font-normal" name="at" wall="" />
        <span className="text-[12.5px] font-normal text-ink-2">Empty: at once</span>
      </label>
      <p className="flex flex-wrap items-center gap-3">
        <button className="btn go" type="submit">
          Announce to everybody in {course.code}
        </button>
        {course.outside ? null : (
          <Link className="link text-[13px]" href={deskClassAt(course.slug)}>
            Write to some of them
          </Link>
        )}
      </p>
    </form>
  );
}

/** How one fares by mail, in words. */
const mailedWords = (m: CourseAnnouncement['mailed']): string[] =>
  m
    ? [
        ...(m.sent ? [`mailed to ${m.sent}`] : []),
        ...(m.waiting ? [`${m.waiting} on their way`] : []),
        ...(m.refused ? [`refused for ${m.refused}`] : []),
      ]
    : [];

/** Whom one is for and how far it has come; the class is told neither. */
function lineOf(
  a: CourseAnnouncement,
  { students, now, zone }: { students: number; now: number; zone: string },
) {
  const whom = a.chosen === null ? students : a.chosen;
  return [
    a.author,
    a.postedAt > now ? `goes out ${moment(a.postedAt, zone)}` : moment(a.postedAt, zone),
    ...(a.readBy === null
      ? a.chosen === null
        ? []
        : ['to you']
      : [
          ...(a.chosen === null ? [] : [`for ${plural(a.chosen, 'person', 'people')} alone`]),
          ...(a.postedAt > now
            ? []
            : [`read by ${a.readBy} of ${plural(whom, 'student')}`, ...mailedWords(a.mailed)]),
        ]),
  ].join(' · ');
}

/** A course's announcements: only staff write them, nobody can switch them off, and each says whether it was read. */
export function Announcements(props: {
  course: CourseView;
  announcements: CourseAnnouncement[];
  students: number;
  now: number;
  zone: string;
  /** Who looks at them. */
  author: string;
  problem: string | null;
  /** What a new one begins with. */
  begin: Begin;
}) {
  const { course, announcements } = props;
  return (
    <div className="grid gap-5">
      {props.problem ? (
        <p role="status" data-refused="" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
          {props.problem}
        </p>
      ) : null}
      {course.staff ? (
        <Write
          course={course}
          author={props.author}
          begin={props.begin}
          // Another text begins when the last one has gone out, and with each that is made of something else.
          keptAs={`announcement ${course.slug} ${announcements.filter((a) => a.author === props.author).length}${props.begin ? ` ${props.begin.title}` : ''}`}
        />
      ) : null}
      <ul className="plate border-l-4 border-l-ochre px-4 py-1">
        {announcements.map((a) => (
          <li key={a.id} className="border-t border-rule-soft py-2 first:border-t-0">
            <Announcement
              id={a.id}
              title={a.title}
              line={lineOf(a, props)}
              read={a.readAt !== null || course.staff}
              open={a.readAt === null && !course.staff}
            >
              <AnnouncedText {...a} />
            </Announcement>
            {a.postedAt > props.now ? (
              <form action={takeBackAnnouncementAt(course.slug, a.id)} method="post" className="pb-1">
                <button type="submit" className="btn" aria-label={`Take it back: ${a.title}`}>
                  Take it back
                </button>
              </form>
            ) : null}
          </li>
        ))}
        {announcements.length === 0 ? <li className="py-3 text-ink-2">No announcements yet.</li> : null}
      </ul>
      <p className="text-[13px] text-ink-2">
        Announcements come from the staff of this course and cannot be switched off.
      </p>
    </div>
  );
}
