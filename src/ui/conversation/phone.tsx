import { ChevronLeft, ChevronRight } from 'lucide-react';
import Link from 'next/link';
import type { Conversation } from '@/contract/conversation-view';
import type { ThreadLine } from '@/contract/thread';
import { PullDown, WriteFoot } from '../discussion/facing-pages';
import { calledName, plural } from '../words/plural';
import { reasonText } from '../words/worth';
import { addressOf, type Look } from './address';
import { ToTheLeft } from './to-the-left';

const because = (line: ThreadLine) => line.reasons.map((r) => reasonText(r).because)[0] ?? '';

/** What stands over a conversation on a phone: why the open response is worth an answer, or whose would be. */
export function Hint({ view, look, next }: { view: Conversation; look: Look; next: ThreadLine | null }) {
  const open = view.lines.find((l) => l.id === view.open?.thread);
  if (open && open.reasons.length > 0 && !open.answered && !open.mine)
    return (
      <>
        <b className="block text-ochre-ink">Worth answering</b>
        <span className="line-clamp-1">{because(open)}</span>
      </>
    );
  if (next)
    return (
      <>
        <b className="block text-ochre-ink">
          {view.open ? 'Next worth answering:' : 'Worth answering first:'}
        </b>
        <span className="flex items-center gap-1.5">
          <Link
            className="link inline-flex min-h-6 shrink-0 items-center"
            href={addressOf(look, { post: next.id })}
          >
            {next.author}
          </Link>
          <span className="min-w-0 truncate text-ink-2">{because(next)}</span>
        </span>
      </>
    );
  return <span className="text-ink-2">{plural(view.head.responses, 'response')}</span>;
}

function Step(props: { href: string | null; name: string; children: React.ReactNode }) {
  return props.href === null ? null : (
    <Link href={props.href} prefetch={false} aria-label={props.name} className="btn min-h-11 min-w-11">
      {props.children}
    </Link>
  );
}

/** Under the post that is read, on a phone: to the answer, and to the posts before and after it. */
export function PostFoot({ view, look }: { view: Conversation; look: Look }) {
  const { previous, next } = view.steps;
  const { reply } = view;
  const at = (post: number | null) => (post === null ? null : addressOf(look, { post }));
  const write = !reply
    ? null
    : view.head.asks
      ? 'Answer'
      : reply.answering.self
        ? 'Beside your post'
        : `Reply to ${calledName(reply.answering.name)}`;
  return (
    <WriteFoot
      before={
        <Step href={at(previous)} name="Previous post">
          <ChevronLeft size={18} aria-hidden />
        </Step>
      }
      write={write ?? 'What stands beside it'}
      after={
        <Step href={at(next)} name="Next post">
          Next <ChevronRight size={16} aria-hidden />
        </Step>
      }
    />
  );
}

/** Over the reply, on a phone: whom it answers, with the way back to the post and a look at it in between. */
export function Answered({ view }: { view: Conversation }) {
  const { reply } = view;
  if (!reply) return null;
  const { name, title, plain } = reply.answering;
  return (
    <div data-steps-aside="" className="flex items-stretch border-b border-rule bg-page-2 lg:hidden">
      <ToTheLeft name="Back to the post" />
      <PullDown className="min-w-0 grow py-2 pr-4 text-left">
        <span className="flex items-baseline justify-between gap-3 text-[13px]">
          <b className="truncate">{name}</b>
          <span className="shrink-0 text-[12.5px] text-ink-2">read it all</span>
        </span>
        <span className="mt-0.5 line-clamp-2 border-l-[3px] border-ochre pl-2 font-serif text-[14px] leading-snug">
          {title ? `${title}. ` : ''}
          {plain.slice(0, 240)}
        </span>
      </PullDown>
    </div>
  );
}
