import type { Contradiction } from '@/core/syllabus/contradictions';
import Link from 'next/link';
import { Contradicted } from '../courses/contradicted';
import { DocumentView } from '../reading/document-view';
import { deadlineText, lateText, ownTimeText } from '../words/deadlines';
import { repliesAsked, replyRules, responseRules } from '../words/rules';
import { zoneName } from '../words/time';
import { plural } from '../words/plural';
import { readingText } from '../words/work';
import { PromptParts } from '../writing/prompt-parts';
import type { HeadView } from './types';
import type { Doc } from '@/core/posts/document';

function Asked({ title, rules }: { title: string; rules: { required: string[]; advised: string[] } }) {
  if (rules.required.length + rules.advised.length === 0) return null;
  return (
    <div className="mt-4">
      <h3 className="text-[14px]">{title}</h3>
      <ul className="mt-1 grid gap-0.5 text-[13px]">
        {rules.required.map((r) => (
          <li key={r} className="flex gap-2">
            <span aria-hidden className="mt-[9px] size-1 shrink-0 rounded-full bg-ink-2" />
            {r}
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
  ownZone,
  contradictions,
  readings,
}: {
  head: HeadView;
  prompt: Doc;
  ownZone: string;
  contradictions: Contradiction[];
  readings: { slug: string; title: string; minutes: number; read: boolean }[];
}) {
  const { brief, schedule } = head;
  const { zone, late } = schedule;
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
    const extended = d.extended ? 'extended for you' : null;
    const own = foreign ? `your time: ${ownTimeText(d, zone, ownZone) ?? 'the same'}` : 'your time: the same';
    const grace = d.graceMinutes ? `${plural(d.graceMinutes, 'minute')} of grace` : null;
    return [own, extended, grace].filter(Boolean).join(' · ');
  };
  return (
    <div className="grow overflow-auto px-4 py-4 sm:px-[22px]" tabIndex={0}>
      <h2 className="sr-only">Prompt</h2>
      <DocumentView doc={prompt} className="!text-[15px]" />
      <PromptParts parts={brief.parts} />
      <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[13px]">
        {row('Response', deadlineText(schedule.response, zone), yours(schedule.response))}
        {brief.replies.count > 0
          ? row(
              'Replies',
              `${repliesAsked(brief)}, ${deadlineText(schedule.replies, zone)}`,
              yours(schedule.replies),
            )
          : null}
        {foreign ? row('Zone', `${zoneName(zone)}; you are in ${zoneName(ownZone)}`) : null}
        {row('Late', lateText(late))}
        {row(
          'Sealed',
          brief.sealed
            ? head.sealed
              ? `Classmates’ posts open once you share yours; ${plural(head.responses, 'response')} waiting`
              : 'Was sealed; open to you now'
            : 'No, you can read the class before you write',
        )}
        {brief.points ? row('Worth', plural(brief.points, 'point')) : null}
      </dl>
      <Contradicted found={contradictions} />
      <Asked title="Your response needs" rules={responseRules(brief)} />
      {brief.replies.count > 0 ? <Asked title="Each reply needs" rules={replyRules(brief)} /> : null}
      {readings.length ? (
        <div className="mt-4 border-t border-rule pt-3">
          <h3 className="text-[14px]">Readings</h3>
          <ul className="mt-1 grid gap-0.5 text-[13px]">
            {readings.map((r) => (
              <li key={r.slug}>
                <Link className="link" href={`/readings/${r.slug}`}>
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
    </div>
  );
}
