import { conversationAt, postsAt, responseAt } from '@/contract/addresses';
import type { CheckFigure } from '@/core/checks/types';
import type { Verdict } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import Link from 'next/link';
import type { DiscussionHead } from '@/contract/discussion';
import { DocumentView } from '../document/document-view';
import { shortfall } from '../words/checks';
import { calledName } from '../words/plural';
import { sealText } from '../words/seal';
import { verdictReason } from '../words/verdicts';

/** A plain page before sharing: what the text is short of or would not count for, the text itself, and both ways on. */
export function ShareAllTheSame(props: {
  head: DiscussionHead;
  kind: 'response' | 'reply';
  parent: number | null;
  draft: { submission: string; revision: number; title: string; doc: Doc };
  to: string | null;
  lacking: CheckFigure[];
  verdict: Verdict | null;
}) {
  const { head, kind, parent, draft, to, lacking, verdict } = props;
  const { brief, schedule } = head;
  const { outside } = head.course;
  const back = kind === 'response' ? responseAt(head.slug) : conversationAt(head.slug, { post: parent });
  const staysSealed = kind === 'response' && head.seal && lacking.length > 0 && !brief.sealOpensWithAny;
  return (
    <section className="plate mx-auto my-4 max-w-[760px] px-5 py-5 sm:px-8" aria-labelledby="before">
      <h2 id="before" className="text-[20px]">
        {lacking.length
          ? outside
            ? 'This is short. Posted all the same?'
            : 'This is short. Share it all the same?'
          : 'This would not count. Share it all the same?'}
      </h2>
      {lacking.length ? (
        <ul className="mt-2 list-disc pl-5 text-[15px]">
          {lacking.map((c) => (
            <li key={c.id}>{shortfall(c)}</li>
          ))}
        </ul>
      ) : null}
      {verdict ? (
        <p className="mt-2 text-[14px] text-ink-2">
          {verdictReason(verdict, {
            name: to && calledName(to),
            count: brief.replies.count,
            days: brief.replies.distinctDays,
          })}
          .
        </p>
      ) : null}
      {staysSealed ? (
        <p className="mt-2 text-[14px] text-ink-2">
          {sealText({ because: 'short', opens: schedule.response.due }, false, schedule.zone)}
        </p>
      ) : null}
      <form method="post" action={postsAt(head.slug)} className="mt-4 flex flex-wrap gap-2">
        <input type="hidden" name="kind" value={kind} />
        {parent === null ? null : <input type="hidden" name="parent" value={parent} />}
        <Link className="btn go" href={back}>
          Write on
        </Link>
        <button className="btn" type="submit" name="do" value="share-kept">
          {outside
            ? 'I posted it there as it is'
            : to
              ? `Share it with the class as it is, to ${calledName(to)}`
              : 'Share it with the class as it is'}
        </button>
      </form>
      <p className="mt-2 text-[12.5px] text-ink-3">
        {outside
          ? 'Until then it is your draft here.'
          : 'Until then it is your draft, and nobody else reads it.'}
      </p>
      <article className="mt-5 border-t border-rule-soft pt-4" aria-label="Your text">
        {draft.title ? <h3 className="mb-2 text-[18px]">{draft.title}</h3> : null}
        <DocumentView doc={draft.doc} />
      </article>
    </section>
  );
}
