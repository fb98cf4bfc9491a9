import { summarise } from '@/core/counting/summary';
import { deadlineText, lateText } from '../words/deadlines';
import { plural } from '../words/plural';
import type { Standing } from './prompt-text';
import type { DiscussionHead } from '@/contract/discussion';

/** How what the prompt says of replies, deadlines, lateness and the seal stands for this student now. */
export function requirementStandings(head: DiscussionHead): Record<string, Standing> {
  const { schedule, ledger, brief } = head;
  const told = (text: string): Standing => ({ state: 'told', text });
  const standings: Record<string, Standing> = {
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
  const replies: Standing = {
    state: counted >= brief.replies.count ? 'met' : owedReplies > 0 ? 'open' : 'told',
    text: `${counted} of ${plural(brief.replies.count, 'reply', 'replies')} counted`,
  };
  for (const fact of ['count', 'distinctPeers', 'distinctDays']) standings[`replies.${fact}`] = replies;
  return standings;
}
