'use client';

import { conversationAt, editPostAt, responseAt } from '@/contract/addresses';
import type { Obligation, ObligationState } from '@/core/counting/types';
import Link from 'next/link';
import type { DiscussionHead } from '@/contract/discussion';
import { DocumentView } from '../document/document-view';
import { TallyStroke } from '../tally/tally';
import { checkFigure, checkName, shortfall } from '../words/checks';
import { calledName, list, plural } from '../words/plural';
import { deadlineText } from '../words/deadlines';
import { moment } from '../words/time';
import { verdictReason } from '../words/verdicts';
import type { Feedback } from '@/contract/marks';
import { numbered, saysSomething, type Numbered } from '@/core/marks/comment';
import { useState } from 'react';
import { FacingPages } from '../discussion/facing-pages';
import { CommentedText } from '../marks/commented-text';
import { YourMark } from '../marks/your-mark';
import type { RubricSheet } from '@/contract/rubric';
import { EditedLine } from './edited-line';
import { marginText, Receipt } from './receipt';
import type { OwnShared } from '@/contract/part';

/** What came of a post; where nothing did, nothing is said. */
function Reach({ reach: { readBy, replies, wellSaid } }: Pick<OwnShared, 'reach'>) {
  const said = [
    ...(readBy === null ? [] : [`Read by ${readBy} classmates`]),
    ...(replies ? [plural(replies, 'reply', 'replies')] : []),
    ...(wellSaid ? [`“well said” ${wellSaid === 1 ? 'once' : `${wellSaid} times`}`] : []),
  ];
  return said.length ? <p className="text-ink-2">{said.join(' · ')}</p> : null;
}

function SharedLine({ item, head, again }: { item: OwnShared; head: DiscussionHead; again: boolean }) {
  const { verdict, text } = item;
  const { schedule, brief } = head;
  const isReply = item.to !== null;
  const deadline = isReply ? schedule.replies : schedule.response;
  const state: ObligationState = verdict?.counted
    ? verdict.reason === 'late'
      ? 'late'
      : 'counted'
    : verdict?.reason === 'short'
      ? 'short'
      : 'owed';
  const unmet = text.checks.filter((c) => c.required && !c.met);
  const figures = [
    plural(text.ownWords, 'own word'),
    ...text.checks
      .filter((c) => c.id !== 'words' && c.id !== 'title')
      .map((c) => `${checkName(c.id).toLowerCase()} ${checkFigure(c)}`),
  ].join(' · ');
  const reason =
    verdict && verdict.reason === 'short'
      ? `Short: ${list(unmet.map(shortfall))}`
      : verdict
        ? verdictReason(verdict, {
            name: item.to ? calledName(item.to) : null,
            count: brief.replies.count,
            days: brief.replies.distinctDays,
          })
        : 'Staff posts are not counted';
  return (
    <li className="grid grid-cols-[16px_1fr_auto] gap-x-2.5 border-t border-rule-soft py-2.5 text-[13px]">
      {verdict && state !== 'owed' ? (
        <TallyStroke kind={isReply ? 'reply' : 'response'} state={state} />
      ) : (
        <span aria-hidden className="mt-1.5 text-ink-3">
          –
        </span>
      )}
      <div className="min-w-0">
        <p>
          <Link className="hover:underline" href={conversationAt(head.slug, { post: text.id })}>
            <b>{isReply ? 'Reply' : 'Response'}</b>
            {isReply ? ` to ${item.to}` : text.title ? ` · ${text.title}` : ''}
          </Link>
          {item.private ? <span className="ml-1.5 text-ink-2">(private)</span> : null}
        </p>
        <p className="text-ink-2">
          {moment(text.sharedAt, schedule.zone)} · {marginText(deadline, text.sharedAt)}
        </p>
        <p className="text-ink-2">{figures}</p>
        <p className="mt-0.5">{reason}.</p>
        {head.course.outside || item.withdrawn ? null : <Reach reach={item.reach} />}
        <EditedLine text={text} slug={head.slug} zone={schedule.zone} />
        {item.withdrawn || head.course.outside || (head.now >= schedule.closes && !again) ? null : (
          <p>
            <Link
              className="link inline-flex min-h-6 items-center text-[12.5px]"
              href={editPostAt(head.slug, text.id)}
            >
              {head.now >= schedule.closes ? 'Change it' : 'Change or withdraw it'}
            </Link>
          </p>
        )}
        <details className="mt-1">
          <summary className="link w-fit text-[12.5px]">Receipt</summary>
          <div className="mt-1.5 rounded-control bg-page-2 px-3 py-2">
            <Receipt
              post={text.id}
              version={text.n}
              sharedAt={text.sharedAt}
              deadline={deadline}
              zone={schedule.zone}
              fingerprint={text.fingerprint}
              outside={head.course.outside}
            />
          </div>
        </details>
      </div>
      <b className={verdict?.counted ? 'text-pine-ink' : 'text-brick'}>
        {verdict?.counted ? 'counted' : 'not counted'}
      </b>
    </li>
  );
}

function OpenLine({ o, head }: { o: Obligation; head: DiscussionHead }) {
  const name = o.kind === 'response' ? 'Response' : `Reply ${o.n} of ${head.brief.replies.count}`;
  const text =
    o.state === 'missed'
      ? o.barred
        ? 'Missed: replies follow one’s own response, and that was missed'
        : `Missed on ${deadlineText(o.deadline, head.schedule.zone)}`
      : o.state === 'excused'
        ? 'You are excused'
        : o.state === 'short'
          ? `Shared and short: it can be completed until ${deadlineText(o.deadline, head.schedule.zone)}`
          : o.state === 'draft'
            ? `Begun, not shared; due ${deadlineText(o.deadline, head.schedule.zone)}`
            : `Owed by ${deadlineText(o.deadline, head.schedule.zone)}`;
  return (
    <li className="grid grid-cols-[16px_1fr_auto] gap-x-2.5 border-t border-rule-soft py-2.5 text-[13px]">
      <TallyStroke kind={o.kind} state={o.state} />
      <div>
        <p>
          <b>{name}</b>
        </p>
        <p className="text-ink-2">
          {text}.{' '}
          {o.state === 'short' && o.post !== null ? (
            <Link className="link" href={editPostAt(head.slug, o.post)}>
              Complete it
            </Link>
          ) : null}
        </p>
      </div>
      <b className={o.state === 'missed' ? 'text-brick' : 'text-ink-2'}>{o.state}</b>
    </li>
  );
}

function WhatCounted({
  head,
  shared,
  again,
}: {
  head: DiscussionHead;
  shared: OwnShared[];
  /** What was shared may be changed though the discussion is over. */
  again: boolean;
}) {
  // What was shared short is still to be completed, as long as that is possible.
  const open =
    head.ledger?.obligations.filter(
      (o) => o.post === null || (o.state === 'short' && head.now < o.deadline.closes),
    ) ?? [];
  return (
    <>
      <h2 className="mb-1.5 text-[16px]">What you shared</h2>
      {shared.length ? (
        <ul>
          {shared.map((item) => (
            <SharedLine key={item.text.id} item={item} head={head} again={again} />
          ))}
        </ul>
      ) : (
        <p className="border-t border-rule-soft py-2.5 text-ink-2">Nothing yet in this discussion.</p>
      )}
      {open.length ? (
        <>
          <h2 className="mt-4 mb-1.5 text-[16px]">
            {open.some((o) => o.state === 'missed') ? 'What is missing' : 'What is left'}
          </h2>
          <ul>
            {open.map((o) => (
              <OpenLine key={`${o.kind} ${o.n}`} o={o} head={head} />
            ))}
          </ul>
        </>
      ) : null}
    </>
  );
}

type Commented = {
  comments: readonly Numbered[];
  chosen: string | null;
  choose: (comment: string) => void;
};

function OwnText({
  head,
  shared,
  comments,
  chosen,
  choose,
}: { head: DiscussionHead; shared: OwnShared[] } & Commented) {
  const response = shared.find((d) => d.to === null && !d.withdrawn) ?? shared.find((d) => d.to === null);
  return (
    <>
      <h2 className="mt-5 mb-3 border-t border-rule pt-4 text-[16px]">Your response, as it was shared</h2>
      {response ? (
        <article>
          {response.text.title ? <h3 className="mb-3 text-[20px]">{response.text.title}</h3> : null}
          <CommentedText
            doc={response.text.doc}
            post={response.text.id}
            comments={comments}
            chosen={chosen}
            choose={choose}
          />
          {response.text.latest ? (
            <details className="mt-4">
              <summary className="link w-fit">The text as the class reads it now</summary>
              <div className="mt-2 border-l-2 border-rule pl-4">
                <DocumentView doc={response.text.latest.doc} />
              </div>
            </details>
          ) : null}
        </article>
      ) : (
        <p className="text-ink-2">
          You have not shared a response here.{' '}
          <Link className="link" href={responseAt(head.slug)}>
            To your response
          </Link>
        </p>
      )}
    </>
  );
}

/** The replies that somebody commented on, each with its marks. */
function CommentedReplies({ shared, ...commented }: { shared: OwnShared[] } & Commented) {
  const replies = shared.filter(
    (d) => d.to !== null && commented.comments.some((c) => c.comment.post === d.text.id),
  );
  return replies.map((d) => (
    <article key={d.text.id} className="mt-4 border-t border-rule-soft pt-3">
      <h3 className="mb-1 font-sans text-[13.5px] font-semibold">Your reply to {d.to}</h3>
      <CommentedText doc={d.text.doc} post={d.text.id} {...commented} className="!text-[15px]" />
    </article>
  ));
}

/** Your part: on the left page every post with what it counted as and why, and the texts; on the right the mark and what was said with it. */
export function YourPart({
  head,
  shared,
  sheet,
  feedback,
}: {
  head: DiscussionHead;
  shared: OwnShared[];
  sheet: RubricSheet;
  feedback: Feedback;
}) {
  const [chosen, choose] = useState<string | null>(null);
  const response = shared.filter((d) => d.to === null);
  const comments = numbered(
    (feedback.mark?.mark.comments ?? []).filter(saysSomething),
    [...response, ...shared.filter((d) => d.to !== null)].map((d) => d.text.id),
    (c) => feedback.places[c.id] ?? null,
  );
  const commented = { comments, chosen, choose };
  return (
    <FacingPages
      first={feedback.mark?.isNew ? 'right' : 'left'}
      left={{
        name: 'What counted',
        page: (
          <div className="grow overflow-auto px-4 py-4 sm:px-6" tabIndex={0}>
            <WhatCounted head={head} shared={shared} again={feedback.again !== null} />
            <OwnText head={head} shared={shared} {...commented} />
            <CommentedReplies shared={shared} {...commented} />
          </div>
        ),
      }}
      right={{
        name: 'Mark and feedback',
        page: (
          <div className="grow overflow-auto bg-page-2 px-4 py-4 sm:px-6" tabIndex={0}>
            <h2 className="sr-only">Mark and feedback</h2>
            {head.course.outside ? (
              <p className="text-[13.5px] text-ink-2">
                This course is held elsewhere: its marks stand there. What you were told can go into the note
                to yourself beside the prompt.
              </p>
            ) : (
              <YourMark
                slug={head.slug}
                course={head.course.slug}
                title={head.title}
                sheet={sheet}
                feedback={feedback}
                zone={head.schedule.zone}
                comments={comments}
                chosen={chosen}
              />
            )}
          </div>
        ),
      }}
    />
  );
}
