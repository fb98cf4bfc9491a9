'use client';

import { conversationAt, responseAt, withdrawAt } from '@/contract/addresses';
import { changing } from '@/contract/writing';
import { call } from '../request/call';
import { unmetRequired } from '@/core/checks/checks';
import type { Check } from '@/core/checks/types';
import type { ChangeRefusal } from '@/core/counting/permission';
import { previewChange } from '@/core/counting/preview';
import type { LedgerInput } from '@/core/counting/types';
import { instant, postId } from '@/core/ids';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import type { OpenDraft, DiscussionHead } from '@/contract/discussion';
import { useServerNow } from '../frame/server-clock';
import { changeRefusalText, withdrawalText } from '../words/changes';
import { calledName } from '../words/plural';
import { verdictReason } from '../words/verdicts';
import { Desk } from './desk';
import { useMeaning } from './use-meaning';
import type { ShareState } from './use-share';
import { useWriting } from './use-writing';
import { WithFigures } from './with-figures';

/** A shared post on the desk again: a change is kept as a draft until it is put in the post's place. */
export function ChangeDesk(props: {
  head: DiscussionHead;
  person: string;
  /** The writer's name. */
  author: string;
  post: { id: number; n: number; kind: 'response' | 'reply'; parent: number | null };
  /** The prompt's words: what the substance of a reply is judged against, beside the post. */
  prompt: string;
  answered: { name: string; plain: string } | null;
  draft: OpenDraft;
  refused: ChangeRefusal | null;
  withdrawal: ChangeRefusal | null;
  ledgerInput: LedgerInput | null;
}) {
  const { head, post, answered, draft, ledgerInput, prompt } = props;
  const { brief, schedule } = head;
  const router = useRouter();
  const now = useServerNow(head.now);
  const isReply = post.kind === 'reply';
  const parts = isReply ? [] : brief.parts;
  const place = {
    slug: head.slug,
    course: head.course.slug,
    person: props.person,
    kind: post.kind,
    parent: post.parent,
    edits: post.id,
  };
  const name = answered?.name ?? '';
  const plain = answered?.plain ?? '';
  const { readings, given } = draft;
  const rules = useMemo(
    () =>
      isReply
        ? {
            kind: 'reply' as const,
            brief,
            answered: { name, text: plain },
            ...(head.asks ? {} : { about: { prompt, others: [] } }),
            given,
          }
        : { kind: 'response' as const, brief, readings, given },
    [brief, head.asks, isReply, name, plain, prompt, readings, given],
  );
  const label = head.asks
    ? isReply
      ? 'Your answer'
      : 'Your question'
    : isReply
      ? `Your reply to ${name}`
      : 'Your response';
  const { form, ...writing } = useWriting({
    place,
    draft,
    parts,
    rules,
    label,
    placeholder: 'Type the text as it shall stand…',
  });
  useMeaning(writing.live, head.slug, plain, prompt);
  const [share, setShare] = useState<ShareState>({ state: 'idle' });
  const busy = useRef(false);

  const after = isReply || head.asks ? conversationAt(head.slug, { post: post.id }) : responseAt(head.slug);
  const put = async () => {
    if (busy.current) return;
    busy.current = true;
    setShare({ state: 'sharing' });
    const answer = await call(changing, { slug: head.slug, post: post.id }, { ...writing.text(), n: post.n });
    if (!answer.ok) {
      busy.current = false;
      setShare({ state: 'failed', failure: answer });
      return;
    }
    writing.keeper.finish();
    router.push(after);
    router.refresh();
  };

  const due = isReply ? schedule.replies.due : schedule.response.due;
  const forecast = (checks: Check[]) => {
    const before =
      ledgerInput &&
      previewChange({ ...ledgerInput, now: instant(now) }, postId(post.id), unmetRequired(checks));
    const said = before
      ? `${verdictReason(before, { name: answered ? calledName(name) : null, count: brief.replies.count, days: brief.replies.distinctDays })}. `
      : '';
    return now >= due && before && before.at < now
      ? `The deadline has passed. The class will read the new text; the one you shared in time is still judged: ${said}`
      : `With this change: ${said}`;
  };
  const refused = props.refused ? changeRefusalText(props.refused, schedule.zone) : null;
  return (
    <Desk
      writing={writing}
      form={form}
      place={place}
      author={props.author}
      staff={head.staff}
      draft={draft}
      parts={parts}
      share={share}
      zone={schedule.zone}
      withTitle={!isReply}
      label={label}
      refused={refused}
      forecast={<WithFigures live={writing.live}>{({ checks }) => forecast(checks)}</WithFigures>}
      plainButton={props.refused ? null : 'Put it in the post’s place'}
      change={{ post: post.id, n: post.n }}
      above={
        <div className="border-b border-rule bg-page-2 px-4 py-2.5 text-[13px] text-ink-2 sm:px-5">
          <p>
            <b className="text-ink">This is shared.</b> A change is shown as “edited”; every version stays for
            you and staff.
          </p>
          {props.withdrawal ? (
            <p>{withdrawalText(props.withdrawal, schedule.zone)}</p>
          ) : (
            <details className="mt-1">
              <summary className="link w-fit">Withdraw it…</summary>
              <form
                action={withdrawAt(head.slug, post.id)}
                method="post"
                className="mt-1.5 flex flex-wrap items-center gap-3"
              >
                <p className="grow basis-60">
                  Nobody has answered it yet. It will not be read or counted any more, and its text is your
                  draft again.
                </p>
                <button className="btn">
                  Withdraw this {head.asks ? (isReply ? 'answer' : 'question') : post.kind}
                </button>
              </form>
            </details>
          )}
        </div>
      }
      buttons={
        <a className="btn" href={after}>
          Leave it as it is
        </a>
      }
      go={
        <button
          type="button"
          className="btn go shrink-0"
          disabled={share.state === 'sharing'}
          onClick={() => void put()}
        >
          {share.state === 'sharing' ? 'Changing…' : 'Share the change'}
        </button>
      }
    />
  );
}
