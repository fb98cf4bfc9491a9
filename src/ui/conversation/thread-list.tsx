import Link from 'next/link';
import { UnreadOf } from './unread';
import { plural } from '../words/plural';
import { clockTime, day, weekday } from '../words/time';
import type { ThreadFilter } from '@/core/posts/filters';
import type { ThreadLineView } from './types';

const FILTERS: [ThreadFilter, string][] = [
  ['all', 'All'],
  ['unread', 'Unread'],
  ['no-replies', 'No replies yet'],
  ['yours', 'Yours'],
];

const WEEK_MS = 6 * 86_400_000;

/** The responses of the class, the newest first; the address names the filter and the open post. */
export function ThreadList(props: {
  slug: string;
  lines: ThreadLineView[];
  counts: Record<ThreadFilter, number>;
  filter: ThreadFilter;
  open: number | null;
  zone: string;
  now: number;
  outside: boolean;
}) {
  const href = (post: number | null, filter: ThreadFilter) => {
    const q = new URLSearchParams();
    if (post !== null) q.set('post', String(post));
    if (filter !== 'all') q.set('show', filter);
    const text = q.toString();
    return `/discussions/${props.slug}/conversation${text ? `?${text}` : ''}`;
  };
  const at = props.lines.findIndex((l) => l.id === props.open);
  return (
    <nav aria-label="Responses" className="flex h-full min-h-0 flex-col bg-page-2">
      <ul className="flex flex-wrap gap-1.5 border-b border-rule px-3 py-2.5">
        {FILTERS.map(([id, label]) => (
          <li key={id}>
            <Link
              href={href(props.open, id)}
              aria-current={props.filter === id ? 'true' : undefined}
              className={`inline-flex min-h-7 items-center rounded-[6px] border px-2 text-[12px] font-semibold ${
                props.filter === id ? 'border-ink bg-ink text-page' : 'border-rule bg-page'
              }`}
            >
              {label} {props.counts[id]}
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
                <b className="truncate">{l.mine ? `${l.author} (you)` : l.author}</b>
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
                <span
                  className={`rounded-[5px] px-1.5 text-[11.5px] font-semibold ${
                    l.replies === 0 && !l.mine ? 'bg-ochre-tint text-ochre-ink' : 'bg-rule-soft text-ink-2'
                  }`}
                >
                  {l.replies === 0 ? 'no replies yet' : plural(l.replies, 'reply', 'replies')}
                </span>
                <UnreadOf posts={l.unread} />
                {l.answered && !l.mine ? (
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
                  : props.filter === 'no-replies'
                    ? 'Everybody has a reply.'
                    : 'Nothing of yours here yet.'}
          </li>
        ) : null}
      </ul>
    </nav>
  );
}
