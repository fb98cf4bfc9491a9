import type { Brief } from '@/core/brief/brief';
import { unmetRequired } from '@/core/checks/checks';
import type { Check } from '@/core/checks/types';
import { previewVerdict } from '@/core/counting/preview';
import type { LedgerInput } from '@/core/counting/types';
import { instant } from '@/core/ids';
import type { Answering } from '@/contract/conversation-view';
import { shortfall } from '../words/checks';
import { calledName, list } from '../words/plural';
import { verdictReason } from '../words/verdicts';
import { lacking } from './with-figures';

/** What a reply would count as if it were shared now, by the ledger, and what its button says. */
export function replyForecast(reply: {
  answering: Answering;
  brief: Brief;
  ledgerInput: LedgerInput | null;
  now: number;
  /** The discussion is not hosted here: it is posted there and noted here. */
  outside: boolean;
}) {
  const { answering, brief, ledgerInput, outside } = reply;
  const called = calledName(answering.name);
  const to = { person: answering.person, staff: answering.staff, side: answering.side };
  const at = ledgerInput && { ...ledgerInput, now: instant(reply.now) };
  const secret = answering.privateTo !== null;
  const whenMet = at && previewVerdict(at, { kind: 'reply', to, private: secret }, []);
  const words = { name: called, count: brief.replies.count, days: brief.replies.distinctDays };
  const counts = whenMet ? whenMet.counted : false;
  const label = outside
    ? counts
      ? `I posted reply ${whenMet?.n ?? 1} of ${brief.replies.count} there`
      : 'I posted it there'
    : !ledgerInput
      ? `Share reply to ${called}`
      : counts
        ? `Share reply ${whenMet?.n ?? 1} of ${brief.replies.count}`
        : 'Share, not counted';
  /** What the checks of now make of it. */
  const said = (checks: Check[]): string => {
    const verdict = at && previewVerdict(at, { kind: 'reply', to, private: secret }, unmetRequired(checks));
    if (!verdict) return '';
    if (!counts && whenMet)
      return `This reply will be ${outside ? 'noted' : 'shared'} but not counted. ${verdictReason(whenMet, words)}.`;
    const sharing = outside ? 'posted' : 'shared';
    return verdict.reason === 'short'
      ? `If ${sharing} now it is short: ${list(lacking(checks).map(shortfall))}.`
      : `If ${sharing} now: ${verdictReason(verdict, words).toLowerCase()}.`;
  };
  return { counts, label, said };
}
