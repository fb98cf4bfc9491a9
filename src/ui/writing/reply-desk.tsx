'use client';

import { conversationAt } from '@/contract/addresses';
import { plainText } from '@/core/document/flatten';
import { repeatOf, type Earlier } from '@/core/substance/repeated';
import type { Compared } from '@/core/drafts/difference';
import type { Brief } from '@/core/brief/brief';
import { unmetRequired } from '@/core/checks/checks';
import type { Check } from '@/core/checks/types';
import { previewVerdict } from '@/core/counting/preview';
import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import { instant, type PersonId } from '@/core/ids';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useServerNow } from '../frame/server-clock';
import { shortfall } from '../words/checks';
import { calledName, list } from '../words/plural';
import { replyRules } from '../words/rules';
import { moment } from '../words/time';
import { refusalText, verdictReason } from '../words/verdicts';
import type { OpenDraft } from '@/contract/discussion';
import { isQuotedPassage, QUOTE_EVENT, quotedPassage } from '../conversation/quote-event';
import { CopyOut } from '../outside/copy-out';
import { PostedThere } from '../outside/posted-there';
import { AnsweredChanged } from './answered-changed';
import { ConfirmShare } from './confirm-share';
import { Desk } from './desk';
import { Greeting } from './greeting';
import { useShare } from './use-share';
import { useWriting } from './use-writing';
import { lacking, LackingLine, WithFigures } from './with-figures';

export type Answering = {
  id: number;
  person: PersonId;
  name: string;
  staff: boolean;
  self: boolean;
  plain: string;
  privateTo: string | null;
  /** Which of its versions is read. */
  n: number;
  title: string;
  doc: Doc;
};

type Text = { title: string; doc: Doc };

/** The reply, on the page that faces the post it answers. */
export function ReplyDesk(props: {
  slug: string;
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
  const { answering, brief, draft, ledgerInput, about } = props;
  const called = calledName(answering.name);
  const router = useRouter();
  const now = useServerNow(props.now);
  const [asking, setAsking] = useState<'short' | 'private' | 'posted' | 'changed' | 'repeated' | null>(null);
  // The text of now, where the post was changed while this page was open.
  const [newer, setNewer] = useState<(Text & { n: number }) | null>(null);
  const how = useRef<{ privately?: boolean; postedAt?: string }>({});
  const { outside } = props;
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
      ...(answering.self ? {} : { about }),
      given: draft.given,
    }),
    [brief, answering.name, answering.plain, answering.self, about, draft.given],
  );
  const { form, ...writing } = useWriting({
    place,
    draft,
    parts: [],
    rules,
    label: `Your reply to ${answering.name}`,
    placeholder: `Write to ${called}…`,
  });
  const { editor } = writing;
  const { share, send } = useShare(place);

  useEffect(() => {
    if (!editor) return;
    const quote = (e: Event) => {
      const passage: unknown = e instanceof CustomEvent ? e.detail : null;
      if (!isQuotedPassage(passage)) return;
      editor
        .chain()
        .focus('end')
        .insertContent([...quotedPassage(passage, !outside), { type: 'paragraph' }])
        .focus('end')
        .run();
    };
    window.addEventListener(QUOTE_EVENT, quote);
    return () => window.removeEventListener(QUOTE_EVENT, quote);
  }, [editor, outside]);

  const { live } = writing;
  const to = { person: answering.person, staff: answering.staff };
  const at = ledgerInput && { ...ledgerInput, now: instant(now) };
  const secret = answering.privateTo !== null;
  const whenMet = at && previewVerdict(at, { kind: 'reply', to, private: secret }, []);
  const words = { name: called, count: brief.replies.count, days: brief.replies.distinctDays };
  const counts = whenMet ? whenMet.counted : false;
  const sharing = outside ? 'posted' : 'shared';
  const label = outside
    ? counts
      ? `I posted reply ${whenMet?.n ?? 1} of ${brief.replies.count} there`
      : 'I posted it there'
    : !ledgerInput
      ? `Share reply to ${called}`
      : counts
        ? `Share reply ${whenMet?.n ?? 1} of ${brief.replies.count}`
        : 'Share, not counted';
  const forecast = (checks: Check[]) => {
    const verdict = at && previewVerdict(at, { kind: 'reply', to, private: secret }, unmetRequired(checks));
    if (!verdict) return '';
    if (!counts && whenMet)
      return `This reply will be ${outside ? 'noted' : 'shared'} but not counted. ${verdictReason(whenMet, words)}.`;
    return verdict.reason === 'short'
      ? `If ${sharing} now it is short: ${list(lacking(checks).map(shortfall))}.`
      : `If ${sharing} now: ${verdictReason(verdict, words).toLowerCase()}.`;
  };

  const go = async (chosen: { privately?: boolean; postedAt?: string }, answeredN = answering.n) => {
    how.current = chosen;
    const sent = await send({ ...writing.text(), title: '' }, writing.keeper.submission, {
      ...chosen,
      answeredN,
    });
    if (typeof sent === 'object') {
      if (sent?.code === 'answered-changed') {
        setNewer(sent);
        setAsking('changed');
      }
      return;
    }
    const post = sent;
    writing.keeper.finish();
    router.push(conversationAt(props.slug, { post, shared: post }));
    router.refresh();
  };
  /** A text that lacks something is shared only by wish. */
  const shareOrAsk = async () => {
    const short = unmetRequired(await writing.checkNow()).length > 0;
    if (outside) setAsking('posted');
    else if (counts && short) setAsking('short');
    else if (repeatOf(plainText(writing.text().doc), about.earlier)) setAsking('repeated');
    else await go({});
  };
  const asked = replyRules(brief);
  return (
    <>
      <Desk
        writing={writing}
        form={form}
        place={place}
        author={props.author}
        staff={props.staff}
        draft={draft}
        parts={[]}
        share={share}
        zone={props.zone}
        withTitle={false}
        label={`Your reply to ${answering.name}`}
        refused={props.refused ? refusalText(props.refused, props.zone) : null}
        forecast={<WithFigures live={live}>{({ checks }) => forecast(checks)}</WithFigures>}
        plainButton={label}
        above={
          <>
            <p className="border-b border-rule bg-page-2 px-4 py-2.5 text-[12.5px] text-ink-2 sm:px-5 lg:rounded-tr-plate">
              <b className="text-ink">Your reply to {called}</b> needs{' '}
              {list(asked.required) || 'nothing in particular'}.
              {asked.advised.length ? ` Advised: ${list(asked.advised)}.` : ''}
              {outside ? '' : ' Private replies don’t count.'}{' '}
              {editor && !answering.self ? <Greeting editor={editor} name={called} /> : null}
            </p>
            {props.changed ? (
              <details className="border-b border-rule bg-ochre-tint px-4 py-2 text-[13px] sm:px-5">
                <summary className="min-h-6 font-semibold">
                  {called} changed this post {moment(props.changed.at, props.zone)}, after you began. Show
                  what changed
                </summary>
                <AnsweredChanged name={called} texts={props.changed} />
              </details>
            ) : null}
          </>
        }
        buttons={
          <>
            {outside ? <CopyOut text={writing.text} /> : null}
            {answering.self || secret || outside ? null : (
              <button
                type="button"
                className="btn"
                disabled={share.state === 'sharing'}
                onClick={() => setAsking('private')}
              >
                Share with {called} only
              </button>
            )}
            <button
              type="button"
              className="btn go"
              data-key-share=""
              disabled={share.state === 'sharing'}
              onClick={() => void shareOrAsk()}
            >
              {share.state === 'sharing' ? (outside ? 'Noting…' : 'Sharing…') : label}
            </button>
          </>
        }
      />
      {outside ? (
        <PostedThere
          open={asking === 'posted'}
          close={() => setAsking(null)}
          what={`this reply to ${called}`}
          now={now}
          zone={props.ownZone}
          onGo={(postedAt) => {
            setAsking(null);
            void go({ postedAt });
          }}
        >
          <LackingLine live={live} />
        </PostedThere>
      ) : null}
      <ConfirmShare
        open={asking === 'changed'}
        close={() => {
          setAsking(null);
          router.refresh();
        }}
        title={`${called} changed the post meanwhile`}
        go="Share it all the same"
        onGo={() => {
          setAsking(null);
          if (newer) void go(how.current, newer.n);
        }}
      >
        <p>Your reply is not shared yet and is kept as a draft. What is different now:</p>
        {newer ? <AnsweredChanged name={called} texts={{ before: answering, now: newer }} /> : null}
      </ConfirmShare>
      <ConfirmShare
        open={asking === 'repeated'}
        close={() => setAsking(null)}
        title="The same again?"
        go="Share it all the same"
        onGo={() => {
          setAsking(null);
          void go({});
        }}
      >
        <p>
          This is nearly the same as your reply to{' '}
          {repeatOf(plainText(writing.text().doc), about.earlier)?.name ?? 'another classmate'}. {called} and
          your instructors will see that. One sentence about something {called} wrote makes it an answer.
        </p>
      </ConfirmShare>
      <ConfirmShare
        open={asking === 'short' || asking === 'private'}
        close={() => setAsking(null)}
        title={asking === 'private' ? `Share with ${called} only?` : 'Share it short?'}
        go={asking === 'private' ? `Share with ${called} only` : 'Share it as it is'}
        onGo={() => {
          const privately = asking === 'private';
          setAsking(null);
          void go({ privately });
        }}
      >
        {asking === 'private' ? (
          <p>Only {called} and your instructors will be able to read it. Private replies are not counted.</p>
        ) : (
          <p>
            The prompt asks for more:{' '}
            <WithFigures live={live}>{({ checks }) => list(lacking(checks).map(shortfall))}</WithFigures>. It
            will be shared, but not counted as it stands.
          </p>
        )}
      </ConfirmShare>
    </>
  );
}
