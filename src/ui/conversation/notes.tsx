import { conversationAt, partAt } from '@/contract/addresses';
import type { Verdict } from '@/core/counting/types';
import { ArrowLeft } from 'lucide-react';
import Link from 'next/link';
import type { DiscussionHead } from '@/contract/discussion';
import { ArrivedHeading } from '../frame/arrived-heading';
import { marginText } from '../part/receipt';
import { calledName, list, plural } from '../words/plural';
import { replyRules } from '../words/rules';
import { moment } from '../words/time';
import { verdictReason } from '../words/verdicts';
import { summarise } from '@/core/counting/summary';
import { reasonText } from '../words/worth';
import type { ReadPost, ThreadLine } from '@/contract/thread';

type NextLine = Pick<ThreadLine, 'id' | 'author' | 'reasons'>;

/** On a phone the list and the open post are two pages; this leads back. */
export function BackToList({ href, all }: { href: string; all: string }) {
  return (
    <p className="mb-2 lg:hidden">
      <Link className="link inline-flex min-h-9 items-center gap-1.5 text-[13.5px]" href={href}>
        <ArrowLeft size={15} aria-hidden /> {all}
      </Link>
    </p>
  );
}

/** The right page after a reply was shared: that it went through, what it counts as, and what is left. */
export function SharedNote(props: {
  head: DiscussionHead;
  post: ReadPost;
  verdict: Verdict | null;
  /** Whom to answer next, where somebody is left. */
  next: NextLine | null;
}) {
  const { head, post, verdict } = props;
  const name = post.to ? calledName(post.to) : 'the class';
  const left = head.ledger ? summarise(head.ledger, head.now).owedReplies : 0;
  return (
    <div className="grow overflow-auto px-4 py-5 sm:px-6">
      <section
        role="status"
        aria-labelledby="reply-shared"
        className={`rounded-plate border border-l-4 border-rule bg-page-2 px-4 py-3 ${verdict?.counted ? 'border-l-pine' : 'border-l-ochre'}`}
      >
        <ArrivedHeading id="reply-shared" arrived className="text-[17px]">
          Your reply to {name} is {head.course.outside ? 'noted as posted there' : 'shared'}
          {post.privateTo ? ` with ${name} only` : ''}
        </ArrivedHeading>
        {verdict ? (
          <p className="mt-1 text-[14px]">
            {verdict.counted ? '' : verdict.reason === 'short' ? '' : 'Not counted. '}
            {verdictReason(verdict, {
              name,
              count: head.brief.replies.count,
              days: head.brief.replies.distinctDays,
            })}
            .
          </p>
        ) : null}
        <p className="mt-1 text-[13px] text-ink-2">
          #{post.id} · {moment(post.sharedAt, head.schedule.zone)} ·{' '}
          {marginText(head.schedule.replies, post.sharedAt)}
        </p>
      </section>
      <p className="mt-4 text-[15px]">
        {head.ledger?.complete ? (
          <b className="text-pine-ink">That was the last: this discussion is complete.</b>
        ) : left > 0 ? (
          `${plural(left, 'reply', 'replies')} to go.`
        ) : null}
      </p>
      <p className="mt-3 flex flex-wrap gap-2">
        {left > 0 && props.next ? (
          <Link className="btn go" href={conversationAt(head.slug, { post: props.next.id })}>
            Read {calledName(props.next.author)}’s response
          </Link>
        ) : null}
        {left > 0 ? (
          <Link className="btn" href={conversationAt(head.slug, { as: 'threads' })}>
            Choose another classmate
          </Link>
        ) : null}
        <Link className="btn" href={partAt(head.slug)}>
          What counted
        </Link>
        <Link className="btn" href={conversationAt(head.slug, { post: post.id })}>
          To the reply itself
        </Link>
        <Link className="btn" href="/">
          This week
        </Link>
      </p>
    </div>
  );
}

/** One's own post is open: there is nobody to answer yet. */
export function OpenedReply({ head }: { head: DiscussionHead }) {
  return (
    <div className="grow px-4 py-5 text-[15px] text-ink-2 sm:px-6">
      <h2 className="text-[17px] text-ink">This is your own post</h2>
      <p className="mt-1">
        Replies to yourself are not counted. If somebody has answered you, choose “Answer” under their reply
        to write back.
      </p>
      <p className="mt-3">
        <Link className="btn" href={partAt(head.slug)}>
          What counted
        </Link>
      </p>
    </div>
  );
}

/** The open post is gone, and no answer to it was begun. */
export const GoneReply = () => (
  <div className="grow px-4 py-5 text-[15px] text-ink-2 sm:px-6">
    <h2 className="text-[17px] text-ink">This post can no longer be answered</h2>
    <p className="mt-1">The replies to it stay, and each of them can be: choose “Answer” under it.</p>
  </div>
);

/** The response that is most worth an answer, with why. */
const First = ({ head, next }: { head: DiscussionHead; next: NextLine }) => (
  <div className="mx-auto mt-4 max-w-[46ch] rounded-plate border border-rule bg-page-2 px-4 py-3 text-left text-[14px]">
    <p>
      <b>Worth answering first: {next.author}.</b> {next.reasons.map((r) => reasonText(r).because).join(' ')}
    </p>
    <p className="mt-2">
      <Link className="btn go" href={conversationAt(head.slug, { post: next.id })}>
        Read {calledName(next.author)}’s response
      </Link>
    </p>
  </div>
);

/** Nothing is open on the facing pages: what to do, or that the post asked for is not to be had. */
export function NothingOpen({
  head,
  asked,
  found,
  next,
}: {
  head: DiscussionHead;
  asked: number | null;
  found: boolean;
  /** Whom to answer first, where replies are owed. */
  next: NextLine | null;
}) {
  const s = head.ledger && summarise(head.ledger, head.now);
  const rules = replyRules(head.brief);
  return (
    <section
      // On a phone the list is the page, and whom to answer first stands over it.
      className={`plate grid place-items-center px-6 py-10 text-center lg:rounded-l-none ${asked ? 'max-lg:order-first' : 'max-lg:scripted:hidden'}`}
    >
      <div>
        <h2 className="text-[19px]">
          {asked && !found ? 'That post is not here to be read' : 'Choose a post to read and answer'}
        </h2>
        <p className="mt-1 max-w-[46ch] text-[14.5px] text-ink-2">
          {asked && !found
            ? 'It may have been taken back, or its number may be mistyped.'
            : s && s.owedReplies > 0
              ? `You owe ${plural(s.owedReplies, 'more reply', 'more replies')}${head.brief.replies.distinctPeers ? ', to different classmates' : ''}.`
              : head.ledger?.complete
                ? 'You have done everything here; reading on is free.'
                : 'The post opens on the left page, your reply faces it on the right.'}
        </p>
        {s && s.owedReplies > 0 ? (
          <p className="mt-1 max-w-[46ch] text-[14.5px] text-ink-2">
            Each needs {list(rules.required) || 'nothing in particular'}.
            {rules.advised.length ? ` Advised: ${list(rules.advised)}.` : ''}
          </p>
        ) : null}
        {next && !asked ? <First head={head} next={next} /> : null}
      </div>
    </section>
  );
}
