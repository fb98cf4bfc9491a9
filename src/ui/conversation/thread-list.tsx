import { conversationAt, newerCopyAt, thumbnailAt } from '@/contract/addresses';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Reason } from '@/core/worth/rank';
import { reasonText } from '../words/worth';
import { UnreadOf } from './unread';
import { plural } from '../words/plural';
import { clockTime, day, weekday } from '../words/time';
import { emptyText } from '../words/conversation-bar';
import { addressOf, type Look } from './address';
import type { ThreadLine } from '@/contract/thread';

const TONES = {
  owed: 'bg-ochre-tint text-ochre-ink',
  view: 'bg-sky-tint text-sky',
  idea: 'bg-pine-tint text-pine-ink',
  plain: 'bg-rule-soft text-ink-2',
};

const Sign = ({ children }: { children: string }) => (
  <span className={`rounded-[5px] px-1.5 text-[11.5px] font-semibold ${TONES.plain}`}>{children}</span>
);

const says = (reasons: readonly Reason[], codes: Reason['code'][]) =>
  reasons.some((r) => codes.includes(r.code));

/** More would be read by nobody. */
const MOST_REASONS = 3;

const WEEK_MS = 6 * 86_400_000;

/** The responses of the class, the newest first; the address names the filter and the open post. */
export function ThreadList(props: {
  look: Look;
  lines: ThreadLine[];
  chips: ReactNode;
  /** The response whose thread is open, or the open post where posts are listed. */
  open: number | null;
  zone: string;
  now: number;
  outside: boolean;
}) {
  const { look } = props;
  const at = props.lines.findIndex((l) => l.id === props.open);
  return (
    <nav aria-label="Responses" data-skip-list="" className="flex h-full min-h-0 flex-col bg-page-2">
      {props.chips}
      {props.outside ? (
        <p className="grid gap-1.5 border-b border-rule px-3 py-2.5">
          <Link className="btn w-full" href={newerCopyAt(look.slug)}>
            Bring in the page again
          </Link>
          <Link className="btn w-full" href={conversationAt(look.slug, { paste: 'response' })}>
            Paste a classmate’s post
          </Link>
        </p>
      ) : null}
      <ul className="relative min-h-0 grow lg:overflow-auto">
        {props.lines.map((l, i) => (
          <li key={l.id} className="border-b border-rule-soft">
            <Link
              href={addressOf(look, { post: l.id })}
              prefetch={false}
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
                  {l.kind === 'reply' ? (
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
                    src={thumbnailAt(l.pictured)}
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
                {l.pinned ? <Sign>pinned</Sign> : null}
                {l.locked ? <Sign>locked</Sign> : null}
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
          <li className="px-3.5 py-4 text-ink-2">{emptyText(look.filter, props.outside)}</li>
        ) : null}
      </ul>
    </nav>
  );
}
