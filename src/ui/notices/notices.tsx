import type { NoticeLine, NoticesPage } from '@/contract/notices';
import { noticesSeenAt, openNoticeAt } from '@/contract/addresses';
import { FacingPages } from '../discussion/facing-pages';
import { AnswerLine, type Answer } from '../frame/answer';
import { SECTIONS } from '../words/notices';
import { clockTime, day, moment } from '../words/time';
import { Delivery } from './delivery';

const sameDay = (a: number, b: number, zone: string) => day(a, zone) === day(b, zone);
const WEEK_MS = 7 * 86_400_000;

/** The time of a notice: of today its hour, of this week its day too. */
const when = (at: number, now: number, zone: string) =>
  sameDay(at, now, zone)
    ? clockTime(at, zone)
    : now - at < WEEK_MS
      ? `${day(at, zone).slice(0, 3)} ${clockTime(at, zone)}`
      : day(at, zone).slice(4);

function Line({ line, now, zone }: { line: NoticeLine; now: number; zone: string }) {
  const [id] = line.ids;
  return (
    <li className="grid grid-cols-[64px_minmax(0,1fr)] gap-3 border-t border-rule-soft py-2.5 first:border-t-0 sm:grid-cols-[76px_minmax(0,1fr)]">
      <time
        className="pt-0.5 text-right text-[12px] text-ink-2"
        dateTime={new Date(line.at).toISOString()}
        title={moment(line.at, zone)}
      >
        {when(line.at, now, zone)}
      </time>
      {/* A plain link: what it opens is seen then, so nothing may fetch it ahead. */}
      <a href={openNoticeAt(id ?? 0)} className="group block min-w-0">
        <span
          className={`block text-[15px] leading-snug group-hover:underline ${line.seen ? 'text-ink-2' : 'font-serif font-semibold'}`}
        >
          {line.seen ? null : (
            <>
              <span aria-hidden className="mr-2 inline-block size-2 rounded-full bg-ochre align-[1px]" />
              <span className="sr-only">Not seen: </span>
            </>
          )}
          {line.title}
        </span>
        <span className="block text-[12.5px] break-words text-ink-2">
          {line.meta}
          {line.quote ? ` · ${line.quote}` : null}
        </span>
      </a>
    </li>
  );
}

/** What was seen stands with the rest for a while; then it makes room for what is new. */
const SEEN_SHOWN = 3;

function split(lines: readonly NoticeLine[]): { here: NoticeLine[]; earlier: NoticeLine[] } {
  const shown = new Map<string, number>();
  const here: NoticeLine[] = [];
  const earlier: NoticeLine[] = [];
  for (const line of lines) {
    const n = shown.get(line.section) ?? 0;
    if (line.seen && n >= SEEN_SHOWN) earlier.push(line);
    else here.push(line);
    shown.set(line.section, n + 1);
  }
  return { here, earlier };
}

/** What concerns somebody on the left page, how it reaches them on the right. */
export function Notices({ page, answer }: { page: NoticesPage; answer: Answer | null }) {
  const { lines, now, zone } = page;
  const unseen = lines.some((l) => !l.seen);
  const { here: recent, earlier } = split(lines);
  const list = (
    <div className="grid h-full content-start gap-4 bg-page px-4 py-3 sm:px-6">
      {lines.length === 0 ? (
        <p className="py-2 text-ink-2">
          Nothing has happened that concerns you. Replies to you, marks, announcements and reminders will
          stand here, whatever way they reach you.
        </p>
      ) : null}
      {SECTIONS.map(([section, heading]) => {
        const here = recent.filter((l) => l.section === section);
        return here.length ? (
          <section key={section} aria-labelledby={`notices-${section}`}>
            <h2
              id={`notices-${section}`}
              className="border-b border-rule pb-1 font-sans text-[12px] font-semibold text-ink-2"
            >
              {heading}
            </h2>
            <ul>
              {here.map((line) => (
                <Line key={line.ids[0]} line={line} now={now} zone={zone} />
              ))}
            </ul>
          </section>
        ) : null;
      })}
      {earlier.length ? (
        <details>
          <summary className="cursor-pointer py-1 text-[13px] font-semibold text-sky">
            Earlier, and seen: {earlier.length}
          </summary>
          <ul>
            {earlier.map((line) => (
              <Line key={line.ids[0]} line={line} now={now} zone={zone} />
            ))}
          </ul>
        </details>
      ) : null}
    </div>
  );
  return (
    <main id="main" className="mx-auto max-w-[1280px] px-4 py-4 sm:px-7">
      <div className="mb-3 flex flex-wrap items-center gap-x-3.5 gap-y-2">
        <h1 className="text-[23px] leading-tight">Notices</h1>
        {unseen ? (
          <form action={noticesSeenAt()} method="post">
            <button className="btn">All seen</button>
          </form>
        ) : null}
        <AnswerLine answer={answer} />
      </div>
      <FacingPages
        first="left"
        left={{ name: 'Notices', page: list }}
        right={{ name: 'How they reach you', page: <Delivery page={page} /> }}
      />
    </main>
  );
}
