'use client';

import dynamic from 'next/dynamic';
import { responseAt } from '@/contract/addresses';
import { unmetRequired } from '@/core/checks/checks';
import type { Check } from '@/core/checks/types';
import { previewVerdict } from '@/core/counting/preview';
import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import { instant } from '@/core/ids';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { useServerNow } from '../frame/server-clock';
import { shortfall } from '../words/checks';
import { list } from '../words/plural';
import { shortSharedText } from '../words/seal';
import { refusalText, verdictReason } from '../words/verdicts';
import type { OpenDraft, DiscussionHead } from '@/contract/discussion';
import { CopyOut } from '../outside/copy-out';
import { ConfirmShare } from './confirm-share';
import { Desk } from './desk';
import { useQuotations } from './quotation-event';
import { useShare } from './use-share';
import { useWriting } from './use-writing';
import { lacking, LackingLine, WithFigures } from './with-figures';
import { useWriting as useWritingContext } from './writing-context';

// What is posted elsewhere is said in courses of one's own alone.
const PostedThere = dynamic(() => import('../outside/posted-there').then((m) => m.PostedThere));

/** Your response: the right page of the first room. */
export function ResponseDesk(props: {
  head: DiscussionHead;
  person: string;
  /** The writer's name. */
  author: string;
  draft: OpenDraft;
  refused: Refusal | null;
  ledgerInput: LedgerInput | null;
  ownZone: string;
}) {
  const { head, draft, ledgerInput } = props;
  const { brief } = head;
  const router = useRouter();
  const now = useServerNow(head.now);
  const [confirming, setConfirming] = useState(false);
  const { outside } = head.course;
  const place = {
    slug: head.slug,
    course: head.course.slug,
    person: props.person,
    kind: 'response' as const,
    parent: null,
  };
  const { readings, given } = draft;
  const rules = useMemo(
    () => ({ kind: 'response' as const, brief, readings, given }),
    [brief, readings, given],
  );
  const { form, ...writing } = useWriting({
    place,
    draft,
    parts: brief.parts,
    rules,
    label: 'Your response',
    placeholder: brief.parts.length ? 'Type your answer…' : 'Type your response…',
  });
  useQuotations(writing.editor);
  const { share, send, stillWaits, stopWaiting, isWaiting } = useShare(place);
  const { setLive } = useWritingContext();
  const { live } = writing;
  useEffect(() => setLive(live), [live, setLive]);

  const forecast = (checks: Check[]) => {
    const verdict =
      ledgerInput &&
      previewVerdict(
        { ...ledgerInput, now: instant(now) },
        { kind: 'response', to: null },
        unmetRequired(checks),
      );
    if (!verdict) return '';
    return verdict.reason === 'short'
      ? `If ${outside ? 'posted' : 'shared'} now it is short: ${list(lacking(checks).map(shortfall))}.`
      : `If ${outside ? 'posted' : 'shared'} now: ${verdictReason(verdict, { name: null, count: brief.replies.count }).toLowerCase()}.`;
  };

  const go = async (postedAt?: string) => {
    const post = await send(writing.text(), writing.keeper.submission, { postedAt });
    if (typeof post !== 'number') return;
    writing.keeper.finish();
    router.replace(responseAt(head.slug, { shared: post }));
    router.refresh();
  };
  /** The same once more, after nobody answered; false where the text is no longer the same. */
  const again = () => {
    const how = stillWaits(writing.text());
    if (how) void go(how.postedAt);
    return how !== null;
  };
  /** A text that lacks something is shared only by wish. */
  const shareOrAsk = async () => {
    if (unmetRequired(await writing.checkNow()).length) setConfirming(true);
    else await go();
  };
  return (
    <>
      <Desk
        writing={writing}
        form={form}
        place={place}
        author={props.author}
        staff={head.staff}
        draft={draft}
        parts={brief.parts}
        share={share}
        waits={{ again, stop: stopWaiting, isWaiting }}
        zone={head.schedule.zone}
        withTitle
        handsOver={!outside && ledgerInput !== null && props.refused?.code !== 'not-open-yet'}
        asksStaff={!outside}
        label="Your response"
        refused={props.refused ? refusalText(props.refused, head.schedule.zone) : null}
        forecast={<WithFigures live={live}>{({ checks }) => forecast(checks)}</WithFigures>}
        plainButton={outside ? 'Note it as posted there' : 'Share with the class'}
        buttons={outside ? <CopyOut text={writing.text} /> : null}
        go={
          outside ? (
            <button
              type="button"
              className="btn go"
              disabled={share.state === 'sharing'}
              onClick={() => {
                void writing.checkNow().then(() => setConfirming(true));
              }}
            >
              {share.state === 'sharing' ? 'Noting…' : 'I posted it there'}
            </button>
          ) : (
            <button
              type="button"
              className="btn go shrink-0"
              data-key-share=""
              disabled={share.state === 'sharing'}
              onClick={() => void shareOrAsk()}
            >
              {share.state === 'sharing' ? (
                'Sharing…'
              ) : (
                <>
                  Share<span className="max-sm:sr-only"> with the class</span>
                </>
              )}
            </button>
          )
        }
      />
      {outside ? (
        <PostedThere
          open={confirming}
          close={() => setConfirming(false)}
          what="this response"
          doc={confirming ? writing.text().doc : undefined}
          now={now}
          zone={props.ownZone}
          onGo={(postedAt) => {
            setConfirming(false);
            void go(postedAt);
          }}
        >
          <LackingLine live={live} />
        </PostedThere>
      ) : null}
      <ConfirmShare
        open={confirming && !outside}
        close={() => setConfirming(false)}
        title="Share it short?"
        go="Share it as it is"
        onGo={() => {
          setConfirming(false);
          void go();
        }}
      >
        <p>The prompt asks for more than this draft has:</p>
        <ul className="mt-1 list-disc pl-5">
          <WithFigures live={live}>
            {({ checks }) => lacking(checks).map((c) => <li key={c.id}>{shortfall(c)}</li>)}
          </WithFigures>
        </ul>
        <p className="mt-2">{shortSharedText(brief, head.schedule.response, head.schedule.zone)}</p>
      </ConfirmShare>
    </>
  );
}
