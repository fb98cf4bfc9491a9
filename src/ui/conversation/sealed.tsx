import { responseAt } from '@/contract/addresses';
import { LockKeyhole } from 'lucide-react';
import Link from 'next/link';
import type { DiscussionHead } from '@/contract/discussion';
import { plural } from '../words/plural';
import { sealText } from '../words/seal';
import { moment } from '../words/time';
import { refusal } from '@/core/counting/permission';
import { instant } from '@/core/ids';

/** The Conversation room behind the seal: what waits, and what opens it. */
export function Sealed({ head }: { head: DiscussionHead }) {
  const { schedule } = head;
  const lost = refusal({
    kind: 'response',
    schedule,
    seal: head.seal,
    responded: head.responded,
    now: instant(head.now),
  });
  return (
    <section className="plate mx-auto my-6 max-w-[640px] px-6 py-8 text-center">
      <LockKeyhole size={30} aria-hidden className="mx-auto text-ochre-ink" />
      <h2 className="mt-3 text-[21px]">This conversation is sealed</h2>
      <p className="mx-auto mt-2 max-w-[48ch] text-[15px] text-ink-2">
        {head.othersResponses === 0
          ? 'No classmate has shared a response yet.'
          : `${plural(head.othersResponses, 'classmate has', 'classmates have')} shared a response.`}{' '}
        {lost?.code === 'response-deadline-passed'
          ? `Your response was missed, and late ones are not accepted here. The posts open for reading when the discussion closes, ${moment(schedule.closes - 60_000, schedule.zone)}.`
          : head.seal
            ? sealText(head.seal, head.brief.sealOpensWithAny ?? false, schedule.zone)
            : null}
      </p>
      {lost ? null : (
        <p className="mt-5">
          <Link className="btn go" href={responseAt(head.slug)}>
            To your response
          </Link>
        </p>
      )}
    </section>
  );
}
