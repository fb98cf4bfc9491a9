import type { StatusInput } from '@/contract/status';
import { owesNothing, summarise } from '@/core/counting/summary';
import type { Balance } from '@/core/counting/types';
import { deadlineText, lateShort, movedText } from './deadlines';
import { moment, stretch } from './time';
import { plural } from './plural';
import { shortfall } from './checks';
import type { CheckFigure } from '@/core/checks/types';

export type Status = {
  /** Where it stands, under the title. */
  detail: string;
  /** The deadline's headline and line. */
  due: {
    head: string;
    /** The headline again as a countdown to a moment, where it is one. */
    live: { before: string; to: number; after: string } | null;
    line: string;
    tone: 'calm' | 'warm' | 'hot' | 'done';
  };
  action: { label: string; room: 'response' | 'conversation' | 'part'; primary: boolean };
};

const missedText = (ledger: Balance) => {
  const missed = ledger.obligations.filter((o) => o.state === 'missed');
  const replies = missed.filter((o) => o.kind === 'reply').length;
  return [
    ...(missed.some((o) => o.kind === 'response') ? ['response missed'] : []),
    ...(replies ? [`${plural(replies, 'reply', 'replies')} missed`] : []),
  ].join(', ');
};

const shortText = (ledger: Balance) => {
  const short = ledger.obligations.filter((o) => o.state === 'short').length;
  return short ? `${short} short` : '';
};

function draftText(checks: CheckFigure[]): string {
  const words = checks.find((c) => c.id === 'words');
  const parts = checks.find((c) => c.id === 'parts');
  const lacking = checks.filter((c) => c.required && !c.met && c.id !== 'words' && c.id !== 'parts');
  return [
    'Draft kept',
    ...(words ? [`${words.have} of ${words.need.min ?? words.need.max} words`] : []),
    ...(parts && !parts.met ? [`${parts.have} of ${parts.need.min} questions answered`] : []),
    ...lacking.map(shortfall),
    ...(checks.length && checks.every((c) => c.met || !c.required) ? ['ready to share'] : []),
  ].join(', ');
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Where a discussion stands for a student, its deadline and the one thing to do, in words. */
export function standing(line: StatusInput, now: number): Status {
  const { schedule, ledger, state } = line;
  const { zone, late } = schedule;
  if (state === 'upcoming') {
    return {
      detail: ledger ? 'Not open yet' : 'You teach this course.',
      due: {
        head: `Opens in ${stretch(schedule.opens - now)}`,
        live: { before: 'Opens in ', to: schedule.opens, after: '' },
        line: moment(schedule.opens, zone),
        tone: 'calm',
      },
      action: { label: 'Read the prompt', room: 'response', primary: false },
    };
  }
  if (!ledger) {
    const over = state === 'closed';
    return {
      detail: 'You teach this course.',
      due: {
        head: over ? 'Closed' : `Replies end in ${stretch(schedule.replies.due - now)}`,
        live: over ? null : { before: 'Replies end in ', to: schedule.replies.due, after: '' },
        line: deadlineText(schedule.replies, zone),
        tone: 'calm',
      },
      action: { label: 'Read', room: 'conversation', primary: false },
    };
  }
  const s = summarise(ledger, now);
  if (ledger.complete) {
    const free = owesNothing(ledger);
    return {
      detail: {
        excused: 'You are excused from this discussion',
        'not-asked': 'Nothing is asked of anybody here',
        counted: 'Everything asked for is counted',
      }[free ?? 'counted'],
      due: {
        head: { excused: 'Excused', 'not-asked': 'Nothing asked', counted: 'Complete' }[free ?? 'counted'],
        live: null,
        line: line.unreadReplies
          ? `${plural(line.unreadReplies, 'unread reply', 'unread replies')} to you`
          : 'nothing left to do',
        tone: 'done',
      },
      action: {
        label: line.unreadReplies ? 'Read replies' : 'Read on',
        room: 'conversation',
        primary: false,
      },
    };
  }
  if (!s.next) {
    const gone = [missedText(ledger), shortText(ledger)].filter(Boolean).join(', ');
    const over = state === 'closed';
    return {
      detail: `${capital(gone)}; ${over ? 'closed for posting, open for reading' : 'nothing more can be made up'}`,
      due: {
        head: over ? 'Closed' : 'Nothing left to share',
        live: null,
        line: `${over ? 'since' : 'closes'} ${moment(schedule.closes - 60_000, zone)}`,
        tone: 'hot',
      },
      action: { label: 'See your part', room: 'part', primary: false },
    };
  }
  const { deadline, obligation } = s.next;
  const what = obligation.kind === 'response' ? 'Response' : s.owedReplies > 1 ? 'Replies' : 'Reply';
  const overdue = now >= deadline.due;
  const tone = overdue
    ? 'hot'
    : deadline.due - now < 86_400_000
      ? 'hot'
      : deadline.due - now < 3 * 86_400_000
        ? 'warm'
        : 'calm';
  const live = overdue
    ? { before: `${what} late, `, to: deadline.closes, after: ' left' }
    : { before: `${what} in `, to: deadline.due, after: '' };
  const due = {
    head: `${live.before}${stretch(live.to - now)}${live.after}`,
    live,
    line: `${deadlineText(deadline, zone)} · ${lateShort(late)}${deadline.movedFrom === null ? '' : ` · ${movedText(deadline.movedFrom, zone)}`}`,
    tone,
  } as const;
  if (obligation.kind === 'response') {
    const short = obligation.state === 'short';
    return {
      detail: short
        ? 'Shared, but short of what the prompt asks'
        : line.draftChecks
          ? draftText(line.draftChecks)
          : line.sealed
            ? 'Not begun; classmates’ posts open once you share a response'
            : 'Not begun',
      due,
      action: short
        ? { label: 'See your part', room: 'part', primary: false }
        : { label: line.draftChecks ? 'Continue draft' : 'Begin response', room: 'response', primary: true },
    };
  }
  const lost = missedText(ledger);
  const countedReplies = ledger.obligations.filter(
    (o) => o.kind === 'reply' && (o.state === 'counted' || o.state === 'late'),
  ).length;
  return {
    detail: [
      `${plural(s.owedReplies, 'reply', 'replies')} to write`,
      ...(countedReplies ? [`${countedReplies} counted`] : []),
      ...(line.replyDrafts ? [`${plural(line.replyDrafts, 'draft')} begun`] : []),
      ...(s.short ? [shortText(ledger)] : []),
      ...(lost ? [lost] : []),
    ].join(', '),
    due,
    action: { label: 'Choose a classmate', room: 'conversation', primary: true },
  };
}

/** The tally in words, for those who do not see it. */
export function tallyText(ledger: Balance): string {
  if (ledger.obligations.length === 0) return 'Nothing asked';
  const response = ledger.obligations.find((o) => o.kind === 'response');
  const replies = ledger.obligations.filter((o) => o.kind === 'reply');
  const counts = new Map<string, number>();
  for (const r of replies) counts.set(r.state, (counts.get(r.state) ?? 0) + 1);
  const rest = [...counts].map(([state, n]) => `${n} ${state}`).join(', ');
  const parts = [
    ...(response ? [`Response ${response.state}`] : []),
    ...(replies.length ? [`${plural(replies.length, 'reply', 'replies')}: ${rest}`] : []),
  ];
  return parts.join('; ');
}
