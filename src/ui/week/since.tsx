import {
  calendarOffersAt,
  beginningAt,
  conversationAt,
  partAt,
  promptChangesAt,
  readingAt,
  syllabusAt,
} from '@/contract/addresses';
import Link from 'next/link';
import { AnnouncedText } from '../courses/announced-text';
import { Announcement } from '../courses/announcement';
import { plural } from '../words/plural';
import { day, moment } from '../words/time';
import type { ThisWeek } from '@/contract/week';

const opening = (text: string) => {
  const line = text.replace(/\s+/gu, ' ').replace(/[“”"]/gu, '').trim();
  return line.length > 70 ? `${line.slice(0, 68).replace(/\s\S*$/u, '')}…` : line;
};

/** The right-hand column: what happened since the last visit, and what instructors announced. */
export function Since({
  since,
  toSign,
  toBegin,
  offering,
  announcements,
  zone,
  now,
  more,
  teaches,
}: Pick<ThisWeek, 'since' | 'toSign' | 'toBegin' | 'offering' | 'announcements' | 'zone' | 'now'> & {
  more: number;
  teaches: boolean;
}) {
  const quiet =
    [
      toSign,
      toBegin,
      offering,
      since.marks,
      since.changed,
      since.replies,
      since.mentions,
      since.notes,
      since.unread,
    ].flat().length === 0;
  return (
    <aside aria-label="News" className="grid content-start gap-5">
      <section>
        <h2 className="mb-2 text-[16px]">Since you were here</h2>
        <ul className="plate px-3.5 py-1 text-[13px]">
          {toBegin.map((c) => (
            <li key={c.slug} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={beginningAt(c.slug)} className="group block">
                <span className="group-hover:underline">
                  <b>{c.code}</b> says how to begin
                </span>
                <span className="block text-ink-3">what to do first, and what of it is done</span>
              </Link>
            </li>
          ))}
          {offering.map((c) => (
            <li key={c.id} className="border-t border-rule-soft py-2 first:border-t-0">
              <form action={calendarOffersAt(c.id)} method="post">
                <button className="group block min-h-6 text-left">
                  <span className="group-hover:underline">
                    <b>{c.name}</b> has {plural(c.offers, 'discussion')} to look through
                  </span>
                  <span className="block text-ink-3">new or moved, in a calendar you follow</span>
                </button>
              </form>
            </li>
          ))}
          {toSign.map((c) => (
            <li key={c.slug} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={syllabusAt(c.slug)} className="group block">
                <span className="group-hover:underline">
                  <b>{c.code}</b> asks you to sign its syllabus
                </span>
              </Link>
            </li>
          ))}
          {since.changed.map((c) => (
            <li key={c.slug} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={promptChangesAt(c.slug)} className="group block">
                <span className="group-hover:underline">
                  <b>{c.title}</b> asks for something else now
                </span>
                <span className="block text-ink-3">
                  {c.course} · changed {moment(c.at, zone)}
                </span>
              </Link>
            </li>
          ))}
          {since.marks.map((m) => (
            <li key={m.slug} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={partAt(m.slug)} className="group block">
                <span className="group-hover:underline">
                  {m.changed ? 'Your mark was changed in' : 'There is a mark for you in'} <b>{m.title}</b>
                </span>
                <span className="block text-ink-3">
                  {m.course} · {moment(m.at, zone)}
                </span>
              </Link>
            </li>
          ))}
          {since.replies.map((r) => (
            <li key={r.post} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={conversationAt(r.slug, { post: r.post })} className="group block">
                <span className="group-hover:underline">
                  <b>{r.author}</b> replied to you
                </span>
                <span className="block text-ink-3">
                  {r.course} · “{opening(r.opening)}”
                </span>
              </Link>
            </li>
          ))}
          {since.mentions.map((m) => (
            <li key={m.post} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={conversationAt(m.slug, { post: m.post })} className="group block">
                <span className="group-hover:underline">
                  <b>{m.author}</b> named you in a post
                </span>
                <span className="block text-ink-3">
                  {m.course} · {moment(m.sharedAt, zone)}
                </span>
              </Link>
            </li>
          ))}
          {since.notes.map((n) => (
            <li key={n.id} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={`${readingAt(n.reading.slug)}#note-${n.id}`} className="group block">
                <span className="group-hover:underline">
                  <b>{n.author}</b>{' '}
                  {n.kind === 'answer' ? 'answered your margin note' : 'asks the staff beside a reading'}
                </span>
                <span className="block text-ink-3">
                  {n.course} · {n.reading.title} · “{opening(n.beginning)}”
                </span>
              </Link>
            </li>
          ))}
          {since.unread.map((p) => (
            <li key={p.slug} className="border-t border-rule-soft py-2 first:border-t-0">
              <Link href={conversationAt(p.slug)} className="group block">
                <span className="group-hover:underline">
                  <b>{plural(p.n, 'unread post')}</b> in {p.course} week {p.week}
                </span>
                {p.sealed ? (
                  <span className="block text-ink-3">sealed until you share your response</span>
                ) : null}
              </Link>
            </li>
          ))}
          {quiet ? (
            <li className="py-2 text-ink-2">
              {since.from
                ? `Nothing new since ${moment(since.from, zone)}.`
                : 'Nothing new in the last two days.'}
            </li>
          ) : null}
        </ul>
      </section>
      <section>
        <h2 className="mb-2 text-[16px]">{teaches ? 'Announcements' : 'From your instructors'}</h2>
        <ul className="plate border-l-4 border-l-ochre px-3.5 py-1 text-[13px]">
          {announcements.map((a) => (
            <li key={a.id} className="border-t border-rule-soft py-1 first:border-t-0">
              <Announcement
                id={a.id}
                title={a.title}
                line={`${a.author} · ${a.course.code} · ${
                  day(a.postedAt, zone) === day(now, zone) ? 'today' : day(a.postedAt, zone)
                }`}
                read={a.readAt !== null}
              >
                <AnnouncedText {...a} />
              </Announcement>
            </li>
          ))}
          {more > 0 ? (
            <li className="border-t border-rule-soft py-2 text-ink-2">
              {plural(more, 'more unread announcement')}: they are in your courses.
            </li>
          ) : null}
          {announcements.length === 0 ? <li className="py-2 text-ink-2">No announcements yet.</li> : null}
        </ul>
      </section>
    </aside>
  );
}
