'use client';

import type { Brief } from '@/core/brief/brief';
import { unmetRequired } from '@/core/checks/checks';
import type { Check } from '@/core/checks/types';
import { previewVerdict } from '@/core/counting/preview';
import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import { instant, type PersonId } from '@/core/ids';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { useServerNow } from '../frame/server-clock';
import { shortfall } from '../words/checks';
import { calledName, list } from '../words/plural';
import { replyRules } from '../words/rules';
import { refusalText, verdictReason } from '../words/verdicts';
import type { DraftView } from '../discussion/types';
import { CopyOut } from '../outside/copy-out';
import { PostedThere } from '../outside/posted-there';
import { ConfirmShare } from './confirm-share';
import { Desk } from './desk';
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
};

/** Sends a passage of the facing post into the reply. */
export const QUOTE_EVENT = 'pulpit-quote';

/** The reply, on the page that faces the post it answers. */
export function ReplyDesk(props: {
  slug: string;
  person: string;
  /** The writer's name. */
  author: string;
  staff: boolean;
  zone: string;
  brief: Brief;
  answering: Answering;
  draft: DraftView;
  refused: Refusal | null;
  ledgerInput: LedgerInput | null;
  now: number;
  /** The discussion is not hosted here: replies are posted there and noted here. */
  outside: boolean;
  ownZone: string;
}) {
  const { answering, brief, draft, ledgerInput } = props;
  const called = calledName(answering.name);
  const router = useRouter();
  const now = useServerNow(props.now);
  const [asking, setAsking] = useState<'short' | 'private' | 'posted' | null>(null);
  const { outside } = props;
  const place = { slug: props.slug, person: props.person, kind: 'reply' as const, parent: answering.id };
  const rules = useMemo(
    () => ({ kind: 'reply' as const, brief, answered: { name: answering.name, text: answering.plain } }),
    [brief, answering.name, answering.plain],
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
      const text = e instanceof CustomEvent ? String(e.detail) : '';
      if (!text) return;
      editor
        .chain()
        .focus('end')
        .insertContent([
          {
            type: 'blockquote',
            content: [{ type: 'paragraph', content: [{ type: 'text', text: `“${text}”` }] }],
          },
          { type: 'paragraph' },
        ])
        .focus('end')
        .run();
    };
    window.addEventListener(QUOTE_EVENT, quote);
    return () => window.removeEventListener(QUOTE_EVENT, quote);
  }, [editor]);

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

  const go = async (how: { privately?: boolean; postedAt?: string }) => {
    const post = await send({ ...writing.text(), title: '' }, writing.keeper.submission, how);
    if (post === null) return;
    writing.keeper.finish();
    router.push(`/discussions/${props.slug}/conversation?post=${post}&shared=${post}`);
    router.refresh();
  };
  /** A text that lacks something is shared only by wish. */
  const shareOrAsk = async () => {
    const short = unmetRequired(await writing.checkNow()).length > 0;
    if (outside) setAsking('posted');
    else if (counts && short) setAsking('short');
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
          <p className="border-b border-rule bg-page-2 px-4 py-2.5 text-[12.5px] text-ink-2 sm:px-5 lg:rounded-tr-plate">
            <b className="text-ink">Your reply to {called}</b> needs{' '}
            {list(asked.required) || 'nothing in particular'}.
            {asked.advised.length ? ` Advised: ${list(asked.advised)}.` : ''}
            {outside ? '' : ' Private replies don’t count.'}
          </p>
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
