'use client';

import { conversationAt, editPostAt, partAt } from '@/contract/addresses';
import type { Verdict } from '@/core/counting/types';
import Link from 'next/link';
import type { DiscussionHead } from '@/contract/discussion';
import { ArrivedHeading } from '../frame/arrived-heading';
import { TextMenu } from '../formats/text-menu';
import { CopyOut } from '../outside/copy-out';
import { TakeOut } from '../outside/take-back';
import { DocumentView } from '../document/document-view';
import { shortfall } from '../words/checks';
import { list, plural } from '../words/plural';
import { verdictReason } from '../words/verdicts';
import { EditedLine } from './edited-line';
import { Receipt } from './receipt';
import type { JudgedText } from '@/contract/part';

/** The right page once a response is shared: that it went through, what it counts as, and the text itself. */
export function SharedResponse(props: {
  head: DiscussionHead;
  text: JudgedText;
  verdict: Verdict | null;
  /** The writer's name. */
  author: string;
  /** It was shared this moment. */
  fresh: boolean;
}) {
  const { head, text, verdict } = props;
  const shown = text.latest ?? text;
  const unmet = text.checks.filter((c) => c.required && !c.met);
  return (
    <div className="grow overflow-auto px-4 py-5 sm:px-8" tabIndex={0}>
      <section
        aria-labelledby="shared"
        className="rounded-plate border border-rule border-l-4 border-l-pine bg-page-2 px-4 py-3"
      >
        <ArrivedHeading id="shared" arrived={props.fresh} className="text-[17px]">
          {head.course.outside ? 'Your response is posted there' : 'Your response is shared with the class'}
        </ArrivedHeading>
        <p className="mt-1 text-[13.5px]">
          {verdict ? `${verdictReason(verdict, { name: null, count: head.brief.replies.count })}. ` : ''}
          {unmet.length ? `It has ${list(unmet.map(shortfall))}. ` : ''}
          {unmet.some((c) => c.id === 'words') ? '' : `${plural(text.ownWords, 'own word')}.`}
        </p>
        <div className="mt-2">
          <Receipt
            post={text.id}
            version={text.n}
            sharedAt={text.sharedAt}
            deadline={head.schedule.response}
            zone={head.schedule.zone}
            fingerprint={text.fingerprint}
            outside={head.course.outside}
          />
        </div>
        <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px]">
          <EditedLine text={text} slug={head.slug} zone={head.schedule.zone} />
          <TextMenu
            text={() => ({ title: shown.title, doc: shown.doc })}
            name={shown.title || head.title}
            by={props.author}
          />
        </div>
        <p className="mt-3 flex flex-wrap gap-2">
          {head.sealed ? (
            <Link className="btn go" href={editPostAt(head.slug, text.id)}>
              Complete it: that opens the conversation
            </Link>
          ) : (
            <Link className="btn go" href={conversationAt(head.slug)}>
              {head.course.outside
                ? 'To the replies'
                : head.brief.sealed
                  ? 'The seal is open: read the conversation'
                  : 'Read the conversation'}
            </Link>
          )}
          <Link className="btn" href={partAt(head.slug)}>
            What counted
          </Link>
          {head.course.outside || head.now >= head.schedule.closes ? null : (
            <Link className="btn" href={editPostAt(head.slug, text.id)}>
              Change or withdraw it
            </Link>
          )}
        </p>
        {head.course.outside ? (
          <div className="mt-3 flex flex-wrap items-center gap-2 border-t border-rule-soft pt-3">
            <CopyOut text={() => ({ title: text.title, doc: text.doc })} />
            <TakeOut slug={head.slug} post={text.id} own name="your response" />
          </div>
        ) : null}
      </section>
      <article className="mt-5">
        {shown.title ? <h3 className="mb-3 text-[20px]">{shown.title}</h3> : null}
        <DocumentView doc={shown.doc} />
      </article>
    </div>
  );
}
