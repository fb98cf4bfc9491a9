'use client';

import type { Answering } from '@/contract/conversation-view';
import type { OpenDraft } from '@/contract/discussion';
import type { SavedAnswer } from '@/contract/questions';
import type { Brief } from '@/core/brief/brief';
import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import type { Compared } from '@/core/drafts/difference';
import type { Earlier } from '@/core/substance/repeated';
import { useMemo } from 'react';
import { useQuotedPassages } from '../conversation/use-quoted-passages';
import { useServerNow } from '../frame/server-clock';
import { CopyOut } from '../outside/copy-out';
import { calledName } from '../words/plural';
import { refusalText } from '../words/verdicts';
import { SavedAnswers } from '../questions/saved-answers';
import { Desk } from './desk';
import { replyForecast } from './reply-forecast';
import { AnsweredSince, ReplyNeeds } from './reply-needs';
import { ReplyQuestions } from './reply-questions';
import { useMeaning } from './use-meaning';
import { useReplySharing } from './use-reply-sharing';
import { useWriting } from './use-writing';
import { WithFigures } from './with-figures';

/** Of an answer to a question: which that is, and what its writer keeps to answer with. */
export type AskedSide = { number: number; saved: readonly SavedAnswer[] };

/** The reply, on the page that faces the post it answers. */
export function ReplyDesk(props: {
  slug: string;
  /** It answers a question: nothing of it is counted, and it goes to whom the question goes. */
  asks: boolean;
  asked?: AskedSide | undefined;
  course: string;
  person: string;
  /** The writer's name. */
  author: string;
  staff: boolean;
  zone: string;
  brief: Brief;
  answering: Answering;
  /** What the substance of the reply is judged against, beside the post. */
  about: { prompt: string; others: string[]; earlier: Earlier[] };
  /** The post was changed after this draft was begun: when, and what differs. */
  changed: { at: number; compared: Compared | null } | null;
  draft: OpenDraft;
  refused: Refusal | null;
  ledgerInput: LedgerInput | null;
  now: number;
  /** The discussion is not hosted here: replies are posted there and noted here. */
  outside: boolean;
  ownZone: string;
}) {
  const { answering, brief, draft, ledgerInput, about, outside, zone } = props;
  const called = calledName(answering.name);
  const label = props.asks ? 'Your answer' : `Your reply to ${answering.name}`;
  const now = useServerNow(props.now);
  const place = {
    slug: props.slug,
    course: props.course,
    person: props.person,
    kind: 'reply' as const,
    parent: answering.id,
  };
  const rules = useMemo(
    () => ({
      kind: 'reply' as const,
      brief,
      answered: { name: answering.name, text: answering.plain },
      ...(answering.self || props.asks ? {} : { about }),
      given: draft.given,
    }),
    [brief, answering.name, answering.plain, answering.self, props.asks, about, draft.given],
  );
  const { form, ...writing } = useWriting({
    place,
    draft,
    parts: [],
    rules,
    label,
    placeholder: props.asks ? (answering.self ? 'Add something…' : 'Answer…') : `Write to ${called}…`,
  });
  const { editor, live } = writing;
  useMeaning(live, props.slug, answering.plain, about.prompt);
  useQuotedPassages(editor, !outside);
  const forecast = replyForecast({ answering, brief, ledgerInput, now, outside });
  const sharing = useReplySharing(place, writing, {
    answering,
    // An answer may be given again to who asks again.
    earlier: props.asks ? [] : about.earlier,
    counts: forecast.counts,
    outside,
  });
  const busy = sharing.share.state === 'sharing';
  const button = props.asks ? (answering.self ? 'Add this' : 'Share the answer') : forecast.label;
  return (
    <>
      <Desk
        handsOver={!props.outside && props.ledgerInput !== null && props.refused?.code !== 'not-open-yet'}
        asksStaff={!outside && !props.asks}
        writing={writing}
        form={form}
        place={place}
        author={props.author}
        staff={props.staff}
        draft={draft}
        parts={[]}
        share={sharing.share}
        waits={{ again: sharing.again, stop: sharing.stopWaiting, isWaiting: sharing.isWaiting }}
        zone={zone}
        withTitle={false}
        label={label}
        refused={props.refused ? refusalText(props.refused, zone) : null}
        forecast={<WithFigures live={live}>{({ checks }) => forecast.said(checks)}</WithFigures>}
        warns={props.asks || !forecast.counts}
        plainButton={button}
        above={
          props.asked ? (
            <SavedAnswers
              course={props.course}
              {...props.asked}
              take={(doc) => void writing.bringIn({ title: '', doc }, editor?.isEmpty ? 'instead' : 'below')}
            />
          ) : props.asks || !props.changed ? null : (
            <AnsweredSince name={called} changed={props.changed} zone={zone} />
          )
        }
        needs={
          props.asks ? null : (
            <ReplyNeeds brief={brief} answering={answering} editor={editor} outside={outside} />
          )
        }
        buttons={
          <>
            {outside ? <CopyOut text={writing.text} /> : null}
            {props.asks || answering.self || answering.privateTo !== null || outside ? null : (
              <button
                type="button"
                className="btn"
                disabled={busy}
                onClick={() => sharing.setAsking('private')}
              >
                Share with {called} only
              </button>
            )}
          </>
        }
        go={
          <button
            type="button"
            className="btn go shrink-0"
            data-key-share=""
            disabled={busy}
            onClick={() => void sharing.shareOrAsk()}
          >
            {busy ? (outside ? 'Noting…' : 'Sharing…') : button}
          </button>
        }
      />
      <ReplyQuestions
        sharing={sharing}
        answering={answering}
        live={live}
        text={writing.text}
        outside={outside}
        now={now}
        ownZone={props.ownZone}
      />
    </>
  );
}
