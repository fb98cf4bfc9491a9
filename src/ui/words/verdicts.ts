import type { Refusal } from '@/core/counting/permission';
import type { Verdict } from '@/core/counting/types';
import { unmetNames } from './checks';
import { moment } from './time';
import { plural } from './plural';

/** Why a post counts or does not, in words; `name` is the classmate it answers. */
export function verdictReason(
  v: Verdict,
  context: { name: string | null; count: number; days?: number },
): string {
  const name = context.name ?? 'this classmate';
  switch (v.reason) {
    case 'counted':
      return v.kind === 'response' ? 'Counts as your response' : `Counts as reply ${v.n} of ${context.count}`;
    case 'late':
      return v.penaltyPercent > 0
        ? `Late, counted with ${v.penaltyPercent} % off`
        : 'Late, counted without a penalty';
    case 'short':
      return `Short: not met are ${unmetNames(v.unmet)}`;
    case 'withdrawn':
      return 'You withdrew it';
    case 'hidden':
      return 'Hidden by staff';
    case 'private':
      return `Private replies do not count: only ${name} and your instructors can read it`;
    case 'to-self':
      return 'It answers your own post; replies to yourself do not count';
    case 'to-staff':
      return `It answers ${name}, who teaches this course; only replies to classmates count here`;
    case 'same-side':
      return `${name} was given the same side as you; only replies to the other side count here`;
    case 'not-asked':
      return 'This discussion asks for no response of yours, only for replies';
    case 'further-response':
      return 'Your first shared response is the one that counts; this is a further post';
    case 'before-response':
      return 'It came before your own response, and this discussion is sealed until then';
    case 'same-classmate':
      return `Another reply to ${name} already counts; the prompt asks for different classmates`;
    case 'same-day':
      return `The prompt asks for ${context.days ?? 2} different days, and this day has its reply`;
    case 'enough-already':
      return context.count === 0
        ? 'This discussion asks for no replies'
        : `All ${plural(context.count, 'reply', 'replies')} asked for are there already`;
    case 'too-late':
      return 'It came after the last moment for it';
  }
}

/** Why a post cannot be shared now. */
export function refusalText(r: Refusal, zone: string): string {
  switch (r.code) {
    case 'not-open-yet':
      return `This discussion opens on ${moment(r.opens, zone)}. You can write now; sharing waits until then.`;
    case 'closed':
      return `This discussion closed on ${moment(r.closed - 1, zone)}. Nothing more can be shared; reading goes on.`;
    case 'response-deadline-passed':
      return `The deadline for responses passed on ${moment(r.closed - 1, zone)}, and late responses are not accepted here.`;
    case 'reply-deadline-passed':
      return `The deadline for replies passed on ${moment(r.closed - 1, zone)}. Nothing more can be shared; reading goes on.`;
    case 'sealed':
      return r.because === 'no-response'
        ? 'This discussion is sealed: replies follow your own response.'
        : `This discussion is still sealed for you: your response is short of what is required. Complete it, and the seal opens${r.opens === null ? '' : `; as it is, it opens at the response deadline, ${moment(r.opens - 60_000, zone)}`}.`;
    case 'thread-locked':
      return 'Staff have locked this thread: it can be read, and no longer answered.';
  }
}
