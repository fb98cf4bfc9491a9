import type { QuestionLine, QuestionsPage } from '@/contract/questions';
import { answeredWithin } from '@/core/questions/pace';
import Link from 'next/link';
import { lineWords } from '../words/questions';
import { clockTime, day } from '../words/time';
import { listAt, openAt } from './address';
import { Narrow } from './narrow';
import { StateSign } from './state-sign';

const WEEK_MS = 7 * 86_400_000;

/** Questions under headings: what is kept on top, what is of this week, what is older. */
function sections({ lines, now, staff, show }: QuestionsPage): [string, QuestionLine[]][] {
  // Whoever answers for the course begins with who has waited longest.
  if (staff && show === 'open' && lines.length) return [['The longest waiting first', lines]];
  const kept = lines.filter((l) => l.kept);
  const rest = lines.filter((l) => !l.kept);
  const all: [string, QuestionLine[]][] = [
    ['Kept on top', kept],
    ['This week', rest.filter((l) => now - l.at < WEEK_MS)],
    ['Earlier', rest.filter((l) => now - l.at >= WEEK_MS)],
  ];
  return all.filter(([, of]) => of.length > 0);
}

/** The questions of a course: each with its sign, from whom it is, and how it stands. */
export function QuestionList({ page }: { page: QuestionsPage }) {
  const { open, course, now } = page;
  const order = sections(page).flatMap(([, of]) => of);
  const at = order.findIndex((l) => l.number === open?.line.number);
  const within = answeredWithin(page.within);
  return (
    <div className="flex h-full min-h-0 flex-col bg-page-2">
      <Narrow page={page} />
      <nav aria-label="Questions" data-skip-list="" className="relative min-h-0 grow lg:overflow-auto">
        {sections(page).map(([name, of]) => (
          <section key={name} aria-label={name}>
            <h2 className="border-b border-rule px-4 pt-3 pb-1.5 font-sans text-[12px] font-semibold text-ink-2">
              {name}
            </h2>
            <ul>
              {of.map((l) => {
                const i = order.indexOf(l);
                return (
                  <li key={l.number} className="border-b border-rule-soft">
                    <Link
                      href={openAt(page, l.number)}
                      prefetch={false}
                      aria-current={l.number === open?.line.number ? 'true' : undefined}
                      {...(i === at + 1 ? { 'data-key-next': '' } : {})}
                      {...(at > 0 && i === at - 1 ? { 'data-key-previous': '' } : {})}
                      className={`flex gap-3 px-4 py-2.5 outline-offset-[-3px] ${
                        l.number === open?.line.number
                          ? 'bg-page shadow-[inset_4px_0_var(--pine)]'
                          : 'hover:bg-page'
                      }`}
                    >
                      <StateSign line={l} />
                      <span className="min-w-0 grow">
                        <b className="line-clamp-2 font-serif text-[15px] leading-snug">{l.title}</b>
                        <span className="mt-0.5 block text-[12.5px] leading-snug text-ink-2">
                          {lineWords(l, within, now, course.zone)} ·{' '}
                          {now - l.at < WEEK_MS / 7 ? clockTime(l.at, course.zone) : day(l.at, course.zone)}
                        </span>
                        {l.label || l.unread ? (
                          <span className="mt-1 flex gap-1">
                            {l.label ? (
                              <span className="rounded-[5px] bg-rule-soft px-1.5 text-[11.5px] font-semibold text-ink-2">
                                {l.label}
                              </span>
                            ) : null}
                            {l.unread ? (
                              <span className="rounded-[5px] bg-sky-tint px-1.5 text-[11.5px] font-semibold text-sky">
                                {l.unread} new
                              </span>
                            ) : null}
                          </span>
                        ) : null}
                      </span>
                    </Link>
                  </li>
                );
              })}
            </ul>
          </section>
        ))}
        {page.pages > 1 ? (
          <p className="flex items-center justify-between gap-3 px-4 py-2.5 text-[13px] text-ink-2">
            {page.at > 1 ? (
              <Link className="link" href={listAt(page, { ...page, at: page.at - 1 })} prefetch={false}>
                Before these
              </Link>
            ) : (
              <span />
            )}
            <span>
              Page {page.at} of {page.pages}
            </span>
            {page.at < page.pages ? (
              <Link className="link" href={listAt(page, { ...page, at: page.at + 1 })} prefetch={false}>
                After these
              </Link>
            ) : (
              <span />
            )}
          </p>
        ) : null}
        {page.lines.length === 0 ? (
          <p className="px-4 py-4 text-ink-2">
            {page.counts.all === 0
              ? 'Nobody has asked anything yet. What you ask here, everybody may learn from.'
              : 'No question of this kind.'}
          </p>
        ) : null}
      </nav>
    </div>
  );
}
