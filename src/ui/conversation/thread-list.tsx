import Link from 'next/link';
import type { Reason } from '@/core/worth/rank';
import { reasonText } from '../words/worth';
import { UnreadOf } from './unread';
import { plural } from '../words/plural';
import { clockTime, day, weekday } from '../words/time';
import type { ThreadFilter } from '@/core/posts/filters';
import type { ThreadLineView } from './types';

const FILTERS: [ThreadFilter, string][] = [
  ['worth', 'Worth answering'],
  ['unread', 'Unread'],
  ['to-you', 'To you'],
  ['yours', 'Yours'],
  ['no-replies', 'No replies yet'],
  ['bookmarked', 'Bookmarked'],
  ['all', 'All'],
];

/** What would show nothing and has never shown anything is not offered. */
const isOffered = (
  id: ThreadFilter,
  {
    counts,
    filter,
    standard,
  }: { counts: Record<ThreadFilter, number>; filter: ThreadFilter; standard: ThreadFilter },
) =>
  id === filter ||
  (id === 'worth' ? standard === 'worth' : id !== 'bookmarked' && id !== 'to-you') ||
  counts[id] > 0;

const TONES = {
  owed: 'bg-ochre-tint text-ochre-ink',
  view: 'bg-sky-tint text-sky',
  idea: 'bg-pine-tint text-pine-ink',
  plain: 'bg-rule-soft text-ink-2',
};

const says = (reasons: readonly Reason[], codes: Reason['code'][]) =>
  reasons.some((r) => codes.includes(r.code));

const EMPTY: Record<ThreadFilter, string> = {
  worth: 'There is nobody left to answer here.',
  all: '',
  unread: '',
  'no-replies': 'Everybody has a reply.',
  yours: 'Nothing of yours here yet.',
  'to-you': 'Nobody has answered or named you here yet.',
  bookmarked: 'You have bookmarked nothing here yet: “Bookmark” stands under each post.',
};

/** More would be read by nobody. */
const MOST_REASONS = 3;

const WEEK_MS = 6 * 86_400_000;

/** The responses of the class, the newest first; the address names the filter and the open post. */
export function ThreadList(props: {
  slug: string;
  lines: ThreadLineView[];
  counts: Record<ThreadFilter, number>;
  filter: ThreadFilter;
  standard: ThreadFilter;
  open: number | null;
  zone: string;
  now: number;
  outside: boolean;
}) {
  const href = (post: number | null, filter: ThreadFilter) => {
    const q = new URLSearchParams();
    if (post !== null) q.set('post', String(post));
    if (filter !== props.standard) q.set('show', filter);
    const text = q.toString();
    return `/discussions/${props.slug}/conversation${text ? `?${text}` : ''}`;
  };
  const at = props.lines.findIndex((l) => l.id === props.open);
  return (
    <nav aria-label="Responses" className="flex h-full min-h-0 flex-col bg-page-2">
      <ul className="flex flex-wrap gap-1.5 border-b border-rule px-3 py-2.5">
        {FILTERS.filter(([id]) => isOffered(id, props)).map(([id, label]) => (
          <li key={id}>
            <Link
              href={href(props.open, id)}
              aria-current={props.filter === id ? 'true' : undefined}
              className={`inline-flex min-h-7 items-center rounded-[6px] border px-2 text-[12px] font-semibold ${
                props.filter === id ? 'border-ink bg-ink text-page' : 'border-rule bg-page'
              }`}
            >
              {label}
              {id === 'worth' ? '' : ` ${props.counts[id]}`}
            </Link>
          </li>
        ))}
        {props.counts.unread > 0 ? (
          <li>
            <form action={`/discussions/${props.slug}/reads`} method="post">
              <input type="hidden" name="to" value={href(props.open, props.filter)} />
              <button
                type="submit"
                className="inline-flex min-h-7 items-center rounded-[6px] px-2 text-[12px] font-semibold text-sky underline underline-offset-2"
              >
                Mark all read
              </button>
            </form>
          </li>
        ) : null}
      </ul>
      {props.outside ? (
        <p className="border-b border-rule px-3 py-2.5">
          <Link className="btn w-full" href={`/discussions/${props.slug}/conversation?paste=response`}>
            Paste a classmate’s post
          </Link>
        </p>
      ) : null}
      <ul className="min-h-0 grow lg:overflow-auto">
        {props.lines.map((l, i) => (
          <li key={l.id} className="border-b border-rule-soft">
            <Link
              href={href(l.id, props.filter)}
              aria-current={l.id === props.open ? 'true' : undefined}
              {...(i === at + 1 ? { 'data-key-next': '' } : {})}
              {...(at > 0 && i === at - 1 ? { 'data-key-previous': '' } : {})}
              className={`block px-3.5 py-2.5 text-[13px] outline-offset-[-3px] ${
                l.id === props.open ? 'bg-page shadow-[inset_4px_0_var(--pine)]' : 'hover:bg-page'
              }`}
            >
              <span className="flex justify-between gap-2">
                <b className="truncate">
                  {l.mine ? `${l.author} (you)` : l.author}
                  {props.filter === 'to-you' || (props.filter === 'bookmarked' && l.kind === 'reply') ? (
                    <span className="font-normal text-ink-2"> to {l.to ?? 'a post'}</span>
                  ) : null}
                </b>
                <span
                  className="shrink-0 text-[12px] text-ink-3"
                  title={`${day(l.sharedAt, props.zone)}, ${clockTime(l.sharedAt, props.zone)}`}
                >
                  {props.now - l.sharedAt < WEEK_MS
                    ? weekday(l.sharedAt, props.zone)
                    : day(l.sharedAt, props.zone)}
                </span>
              </span>
              <span className="mt-0.5 flex gap-2">
                {l.pictured ? (
                  // eslint-disable-next-line @next/next/no-img-element -- drawn small by our own route
                  <img
                    src={`/attachments/${l.pictured}/thumbnail`}
                    alt=""
                    width={44}
                    height={44}
                    loading="lazy"
                    className="size-11 shrink-0 rounded-[5px] bg-rule-soft object-cover"
                  />
                ) : null}
                <span className="line-clamp-2 leading-snug text-ink-2">{l.opening || 'No longer shown'}</span>
              </span>
              <span className="mt-1 flex flex-wrap gap-1">
                {l.reasons.slice(0, MOST_REASONS).map((reason) => {
                  const { sign, tone, because } = reasonText(reason);
                  return (
                    <span
                      key={reason.code}
                      title={because}
                      className={`rounded-[5px] px-1.5 text-[11.5px] font-semibold ${TONES[tone]}`}
                    >
                      {sign}
                    </span>
                  );
                })}
                {l.namesReader ? (
                  <span className="rounded-[5px] bg-sky-tint px-1.5 text-[11.5px] font-semibold text-sky">
                    names you
                  </span>
                ) : null}
                {l.drafted ? (
                  <span className="rounded-[5px] bg-ochre-tint px-1.5 text-[11.5px] font-semibold text-ochre-ink">
                    draft begun
                  </span>
                ) : null}
                {says(l.reasons, ['no-replies', 'one-reply']) ? null : (
                  <span
                    className={`rounded-[5px] px-1.5 text-[11.5px] font-semibold ${
                      l.replies === 0 && !l.mine ? 'bg-ochre-tint text-ochre-ink' : 'bg-rule-soft text-ink-2'
                    }`}
                  >
                    {l.replies === 0 ? 'no replies yet' : plural(l.replies, 'reply', 'replies')}
                  </span>
                )}
                {says(l.reasons, ['unread']) && l.reasons.length <= MOST_REASONS ? null : (
                  <UnreadOf posts={l.unread} />
                )}
                {l.answered && !l.mine && !says(l.reasons, ['answered-before']) ? (
                  <span className="rounded-[5px] bg-pine-tint px-1.5 text-[11.5px] font-semibold text-pine-ink">
                    you answered
                  </span>
                ) : null}
                {l.role !== 'student' ? (
                  <span className="rounded-[5px] bg-sky-tint px-1.5 text-[11.5px] font-semibold text-sky">
                    staff
                  </span>
                ) : null}
              </span>
            </Link>
          </li>
        ))}
        {props.lines.length === 0 ? (
          <li className="px-3.5 py-4 text-ink-2">
            {props.outside && props.filter === 'all'
              ? 'Nothing is pasted in yet. Copy a classmate’s post from the other course to answer it here.'
              : props.filter === 'all'
                ? 'No one has shared a response yet. The first replies go to the first responses.'
                : props.filter === 'unread'
                  ? 'You have read everything here.'
                  : EMPTY[props.filter]}
          </li>
        ) : null}
      </ul>
    </nav>
  );
}
