import {
  discussionTroubleAt,
  promptChangesAt,
  promptEditAt,
  promptRecordingAt,
  responseAt,
} from '@/contract/addresses';
import type { Contradiction } from '@/core/syllabus/contradictions';
import Link from 'next/link';
import { Fragment } from 'react';
import { Contradicted } from '../courses/contradicted';
import { deadlineText, lateText, movedText, ownTimeText } from '../words/deadlines';
import { repliesAsked, replyRules, responseRules } from '../words/rules';
import { moment, zoneName } from '../words/time';
import { plural } from '../words/plural';
import { sealRuleText } from '../words/seal';
import { readingText } from '../words/work';
import { OutsideNote } from '../outside/outside-note';
import { partRows } from '../words/part-played';
import { NoteToSelf } from '../notes/note-to-self';
import { HandOver } from '../writing/hand-over';
import { PromptParts } from '../writing/prompt-parts';
import type { Viewing } from '@/core/viewings/viewing';
import type { Mention } from '@/core/reading/mentions';
import { RecordingForm } from '../aloud/recording-form';
import { RubricPage } from '../rubric/rubric-page';
import type { RubricSheet } from '@/contract/rubric';
import { Viewings } from './viewings';
import { isAwaited } from '@/core/elsewhere/term';
import { PromptText } from './prompt-text';
import { Whence } from './head';
import { requirementStatuses } from './requirement-statuses';
import type { AskedForTime, DiscussionHead } from '@/contract/discussion';
import { AskAboutThis } from '../questions/ask-about';
import { Broken } from './broken';
import { WhatBecameOf, type HandedView } from './handed';
import { MoreTime } from './more-time';
import { Unclear } from './unclear';
import type { Doc } from '@/core/document/nodes';
import { strictest, type Disagreement } from '@/core/prompts/disagreements';
import type { Requirement } from '@/core/prompts/on-document';

type Rules = { required: string[]; advised: string[] };

/** A list of rules; one that is not among the confirmed ones is the text's own, and marked as unclear. */
function Asked({ title, rules, confirmed }: { title: string; rules: Rules; confirmed: Rules }) {
  if (rules.required.length + rules.advised.length === 0) return null;
  return (
    <div className="mt-4">
      <h3 className="text-[14px]">{title}</h3>
      <ul className="mt-1 grid gap-0.5 text-[13px]">
        {rules.required.map((r) => (
          <li key={r} className="flex gap-2">
            <span aria-hidden className="mt-[9px] size-1 shrink-0 rounded-full bg-ink-2" />
            <span>
              {r}
              {confirmed.required.includes(r) ? null : <b className="text-ochre-ink"> (unclear)</b>}
            </span>
          </li>
        ))}
        {rules.advised.map((r) => (
          <li key={r} className="flex gap-2 text-ink-2">
            <span aria-hidden className="mt-[9px] size-1 shrink-0 rounded-full bg-ink-2" />
            {r} (advised)
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The left page while a response is written: the prompt, its questions and rules, both deadlines, the late rule, the seal. */
export function PromptPage({
  head,
  prompt,
  requirements,
  disagreements,
  ownZone,
  contradictions,
  readings,
  mentions,
  sheet,
  viewings,
  recording,
  note,
  asked,
  changed,
  handed,
  preview,
}: {
  head: DiscussionHead;
  prompt: Doc;
  requirements: Requirement[];
  disagreements: Disagreement[];
  ownZone: string;
  contradictions: Contradiction[];
  readings: { slug: string; title: string; minutes: number; read: boolean }[];
  mentions: Mention[];
  sheet: RubricSheet | null;
  viewings: (Viewing & { done: boolean })[];
  recording: { id: string; speaker: string } | null;
  note: { body: string; keptAt: number } | null;
  asked: AskedForTime | null;
  changed: { times: number; last: number } | null;
  handed: readonly HandedView[];
  /** It is shown to staff as a student sees it: nothing on it does anything. */
  preview?: boolean;
}) {
  const { brief, schedule } = head;
  const { zone, late } = schedule;
  const stricter = strictest(brief, disagreements);
  const foreign = ownZone !== zone;
  const row = (name: string, value: string, more?: string | null) => (
    <>
      <dt className="text-ink-3">{name}</dt>
      <dd className="font-semibold">
        {value}
        {more ? <span className="block font-normal text-ink-2">{more}</span> : null}
      </dd>
    </>
  );
  const yours = (d: typeof schedule.response) => {
    const moved = d.movedFrom === null ? null : movedText(d.movedFrom, zone);
    const own = foreign ? `your time: ${ownTimeText(d, zone, ownZone) ?? 'the same'}` : 'your time: the same';
    const grace = d.graceMinutes ? `${plural(d.graceMinutes, 'minute')} of grace` : null;
    return [own, moved, grace].filter(Boolean).join(' · ');
  };
  return (
    <div className="grow overflow-auto px-4 py-4 sm:px-[22px]" tabIndex={0}>
      <h2 className="sr-only">Prompt</h2>
      {/* On a phone the head has one line, and these stand here. */}
      <div className="mb-3 lg:hidden">
        <p className="text-[12px] font-semibold text-ink-2">
          <Whence head={head} />
        </p>
        <p className="font-serif text-[20px] leading-tight font-semibold">{head.title}</p>
      </div>
      {changed ? (
        <p className="mb-3 rounded-control bg-ochre-tint px-3 py-2 text-[13px]">
          Changed {moment(changed.last, ownZone)}.{' '}
          <Link href={promptChangesAt(head.slug)} className="link">
            What is other than before
          </Link>
        </p>
      ) : null}
      <PromptText
        doc={prompt}
        requirements={requirements}
        told={requirementStatuses(head)}
        mentions={mentions}
        slug={head.slug}
        recording={recording}
      />
      {head.staff || head.course.outside ? (
        <p className="mt-3 text-[13px]">
          <Link href={promptEditAt(head.slug)} className="link inline-flex min-h-6 items-center">
            Edit the prompt’s text, its pictures, files and clips
          </Link>
        </p>
      ) : null}
      {head.staff ? <RecordingForm action={promptRecordingAt(head.slug)} there={recording !== null} /> : null}
      {head.onlooker || preview ? null : <Viewings slug={head.slug} viewings={viewings} />}
      <Unclear found={disagreements} staff={head.staff} />
      <PromptParts parts={brief.parts} />
      <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[13px]">
        {(brief.response.asked ?? true)
          ? row(
              brief.response.topic ? 'Your topic' : 'Response',
              deadlineText(schedule.response, zone),
              yours(schedule.response),
            )
          : row('Response', 'None is owed here: answer what others begin')}
        {brief.replies.count > 0
          ? row(
              'Replies',
              `${repliesAsked(brief)}, ${deadlineText(schedule.replies, zone)}`,
              yours(schedule.replies),
            )
          : null}
        {partRows(head).map(([name, value, more]) => (
          <Fragment key={name}>{row(name, value, more)}</Fragment>
        ))}
        {foreign ? row('Zone', `${zoneName(zone)}; you are in ${zoneName(ownZone)}`) : null}
        {row('Late', lateText(late))}
        {row(
          'Sealed',
          brief.sealed && head.course.outside
            ? 'There, classmates’ posts open once you have posted yours'
            : brief.sealed
              ? head.sealed
                ? `${sealRuleText(brief.sealOpensWithAny ?? false)}; ${plural(head.othersResponses, 'response')} waiting`
                : 'Was sealed; open to you now'
              : 'No, you can read the class before you write',
        )}
        {brief.points ? row('Worth', plural(brief.points, 'point')) : null}
      </dl>
      {head.ledger && !head.course.outside && !preview ? (
        <>
          <MoreTime slug={head.slug} asked={asked} zone={ownZone} />
          <WhatBecameOf handed={handed} zone={ownZone} />
          {head.responded || head.state === 'upcoming' || head.state === 'closed' ? null : (
            <HandOver place={{ slug: head.slug, kind: 'response', parent: null }} />
          )}
        </>
      ) : null}
      {head.course.outside || head.onlooker || preview ? null : (
        <AskAboutThis
          course={head.course.slug}
          about={{ of: 'prompt', place: head.slug, called: head.title.slice(0, 200) }}
        >
          Ask about this prompt
        </AskAboutThis>
      )}
      {head.course.outside || preview ? null : <Broken action={discussionTroubleAt(head.slug)} />}
      <Contradicted found={contradictions} />
      <Asked title="Your response needs" rules={responseRules(stricter)} confirmed={responseRules(brief)} />
      {brief.replies.count > 0 ? (
        <Asked title="Each reply needs" rules={replyRules(stricter)} confirmed={replyRules(brief)} />
      ) : null}
      {sheet?.rubric ? (
        <RubricPage
          slug={head.slug}
          rubric={sheet.rubric}
          estimate={sheet.estimate}
          estimating={!head.staff && !head.onlooker && !head.responded && !preview}
        />
      ) : null}
      {head.course.outside ? <OutsideNote slug={head.slug} awaited={isAwaited(prompt)} /> : null}
      {readings.length ? (
        <div className="mt-4 border-t border-rule pt-3">
          <h3 className="text-[14px]">Readings</h3>
          <ul className="mt-1 grid gap-0.5 text-[13px]">
            {readings.map((r) => (
              <li key={r.slug}>
                <Link className="link" href={responseAt(head.slug, { reading: r.slug })} scroll={false}>
                  {r.title}
                </Link>{' '}
                <span className="text-ink-2">
                  {readingText(r.minutes)}
                  {r.read ? ', read' : ''}
                </span>
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {head.onlooker || preview ? null : <NoteToSelf slug={head.slug} note={note} />}
    </div>
  );
}
