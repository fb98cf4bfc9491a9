import { arrangementAt, moderationLogAt, conversationAt } from '@/contract/addresses';
import {
  ArrowDownUp,
  ChevronLeft,
  ChevronRight,
  Clock3,
  List,
  ListTree,
  Search,
  ShieldCheck,
} from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { ARRANGEMENTS, type Arrangement } from '@/core/posts/arrange';
import { ARRANGEMENT_NAMES } from '../words/conversation-bar';
import { addressOf, type Look } from './address';
import { FollowButton } from './follow-button';
import { NextUnread } from './next-unread';
import { WITH_TOOLS } from './with-tools';
import { ExportLinks } from './export-links';

const ICONS: Record<Arrangement, typeof List> = { threads: ListTree, headlines: List, time: Clock3 };

/** Switches the arrangement, which is remembered from then on: a form, so that it needs no script. */
function Switch({ look, post }: { look: Look; post: number | null }) {
  return (
    <form action={arrangementAt(look.slug)} method="post" className="flex items-center gap-1">
      <div
        role="group"
        aria-label="Arrangement"
        className="flex overflow-hidden rounded-[7px] border border-rule bg-page-2"
      >
        {ARRANGEMENTS.map((as) => {
          const Icon = ICONS[as];
          const on = look.as === as;
          return (
            <button
              key={as}
              name="to"
              value={addressOf({ ...look, as, habit: { ...look.habit, as } }, { post })}
              formAction={arrangementAt(look.slug, { as, newest: look.newestFirst ? 'yes' : 'no' })}
              aria-pressed={on}
              className={`inline-flex min-h-8 items-center gap-1.5 px-2.5 text-[12.5px] font-semibold max-sm:min-w-9 max-sm:justify-center ${
                on ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]' : 'text-ink-2 hover:bg-page'
              }`}
            >
              <Icon size={14} aria-hidden />
              <span className="max-sm:sr-only">{ARRANGEMENT_NAMES[as]}</span>
            </button>
          );
        })}
      </div>
      {look.as === 'time' ? (
        <button
          name="to"
          value={addressOf({
            ...look,
            newestFirst: !look.newestFirst,
            habit: { ...look.habit, newestFirst: !look.newestFirst },
          })}
          formAction={arrangementAt(look.slug, { as: 'time', newest: look.newestFirst ? 'no' : 'yes' })}
          className="inline-flex min-h-8 items-center gap-1.5 rounded-[6px] px-2 text-[12.5px] font-semibold text-ink-2 hover:underline"
        >
          <ArrowDownUp size={14} aria-hidden />
          <span className="whitespace-nowrap max-sm:sr-only">
            {look.newestFirst ? 'Newest first' : 'Oldest first'}
          </span>
        </button>
      ) : null}
    </form>
  );
}

function Step(props: { href: string | null; name: string; mark: 'before' | 'after'; children: ReactNode }) {
  const shape = 'inline-flex size-8 items-center justify-center rounded-[6px] border border-rule';
  return props.href === null ? (
    <span className={`${shape} opacity-40`} aria-hidden>
      {props.children}
    </span>
  ) : (
    <Link
      href={props.href}
      aria-label={props.name}
      title={props.name}
      prefetch={false}
      className={`${shape} bg-page hover:bg-page-2`}
      {...(props.mark === 'before' ? { 'data-key-post-before': '' } : { 'data-key-post-after': '' })}
    >
      {props.children}
    </Link>
  );
}

/** Finds words in this conversation; the answer is a filter like the others, in the address. */
function FindHere({ look }: { look: Look }) {
  return (
    <form
      action={conversationAt(look.slug)}
      role="search"
      className="flex min-w-[9rem] grow items-center gap-1 rounded-[7px] border border-rule bg-page pl-2 sm:max-w-[15rem]"
    >
      <Search size={14} aria-hidden className="shrink-0 text-ink-3" />
      <input type="hidden" name="as" value={look.as} />
      <input
        type="search"
        name="words"
        defaultValue={look.words}
        aria-label="Find in this conversation"
        placeholder="Find in this conversation"
        className="min-h-8 w-full min-w-0 bg-transparent text-[12.5px] outline-offset-2"
      />
    </form>
  );
}

/** Over a conversation: how it is laid out, the ways from post to post, what one follows and takes along. */
export function ConversationBar(props: {
  look: Look;
  post: number | null;
  steps: { previous: number | null; next: number | null; unread: readonly number[] };
  followsDiscussion: boolean;
  thread: { id: number; followed: boolean } | null;
  staff: boolean;
  /** In a course that is not hosted here nobody else is to be heard. */
  outside: boolean;
  live: ReactNode;
}) {
  const { look, steps, thread } = props;
  return (
    <div
      data-steps-aside=""
      role="group"
      aria-label="Reading this conversation"
      className="flex flex-wrap items-center gap-x-2 gap-y-1.5 max-lg:px-4 max-lg:group-data-[tools=open]/tools:pt-2 lg:mb-2"
    >
      <div className={`contents ${WITH_TOOLS}`}>
        <Switch look={look} post={props.post} />
      </div>
      <span className={`flex items-center gap-1 ${WITH_TOOLS}`}>
        <Step
          href={steps.previous === null ? null : addressOf(look, { post: steps.previous })}
          name="Previous post"
          mark="before"
        >
          <ChevronLeft size={16} aria-hidden />
        </Step>
        <Step
          href={steps.next === null ? null : addressOf(look, { post: steps.next })}
          name="Next post"
          mark="after"
        >
          <ChevronRight size={16} aria-hidden />
        </Step>
        <NextUnread look={look} ahead={steps.unread} />
      </span>
      {props.live}
      <div className={`contents ${WITH_TOOLS}`}>
        <FindHere look={look} />
      </div>
      <span className={`flex flex-wrap items-center gap-x-1 max-lg:pb-2 lg:ml-auto ${WITH_TOOLS}`}>
        {props.outside ? null : thread ? (
          <FollowButton key={thread.id} slug={look.slug} thread={thread.id} followed={thread.followed} />
        ) : (
          <FollowButton slug={look.slug} thread={null} followed={props.followsDiscussion} />
        )}
        {props.staff ? (
          <Link
            className="inline-flex min-h-8 items-center gap-1.5 rounded-[6px] px-2 text-[12.5px] font-semibold text-ink-2 hover:underline"
            href={moderationLogAt(look.slug)}
          >
            <ShieldCheck size={14} aria-hidden /> <span className="max-sm:sr-only">Reports and log</span>
          </Link>
        ) : null}
        <ExportLinks slug={look.slug} />
      </span>
    </div>
  );
}
