import { summarise } from '@/core/counting/summary';
import { deadlineText, lateText } from '../words/deadlines';
import { plural } from '../words/plural';
import type { Status } from './prompt-text';
import type { DiscussionHead } from '@/contract/discussion';

/** How what the prompt says of replies, deadlines, lateness and the seal stands for this student now. */
export function requirementStatuses(head: DiscussionHead): Record<string, Status> {
  const { schedule, ledger, brief } = head;
  const told = (text: string): Status => ({ state: 'told', text });
  const standings: Record<string, Status> = {
    'due.response': told(`Response due ${deadlineText(schedule.response, schedule.zone)}`),
    'due.replies': told(`Replies due ${deadlineText(schedule.replies, schedule.zone)}`),
    late: told(lateText(schedule.late)),
    sealed: told(head.sealed ? 'Sealed until you share your response' : 'Open to you now'),
  };
  if (!ledger) return standings;
  const { owedReplies } = summarise(ledger, head.now);
  const counted = ledger.obligations.filter(
    (o) => o.kind === 'reply' && (o.state === 'counted' || o.state === 'late'),
  ).length;
  const replies: Status = {
    state: counted >= brief.replies.count ? 'met' : owedReplies > 0 ? 'open' : 'told',
    text: `${counted} of ${plural(brief.replies.count, 'reply', 'replies')} counted`,
  };
  for (const fact of ['count', 'distinctPeers', 'distinctDays']) standings[`replies.${fact}`] = replies;
  return standings;
}
