import { z } from 'zod';
import { checkedDates, type DateField, type DateProblem } from '@/core/desk/dates';
import type { CourseId, DiscussionId, Instant, PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { dropLeave, putExcusal, putExtension } from '@/db/queries/desk';
import { answerTimeRequests } from '@/db/queries/time-requests';
import type { Actor } from '../deps';
import { tellLeave } from '../notices/happened';
import type { OnDesk } from './enter';
import { people, reason, sure, when } from './fields';

/** At least one, all students of the course. */
const some = people.min(1);

/** What staff do about single students' time in a discussion. */
export const timeActs = [
  z.object({
    act: z.literal('extend'),
    people: some,
    responseDue: when,
    repliesDue: when,
    reason,
    sure,
  }),
  z.object({ act: z.literal('excuse'), people: some, reason, sure }),
  z.object({ act: z.literal('usual'), people: some, sure }),
  z.object({ act: z.literal('refuse'), people: some }),
] as const;
export type TimeAct = z.output<(typeof timeActs)[number]>;
export type TimeFailure = { code: 'no-dates' } | { code: 'dates'; problems: DateProblem[] };

/** The dates of a discussion that hold for whoever has none of their own. */
export const everybodys = ({ record }: OnDesk): Record<DateField, string> => {
  const { opens, responseDue, repliesDue } = record.timetable;
  return { opens, responseDue, repliesDue };
};

/** Gives students more time, excuses them, gives them everybody's dates again, or says no; each hears of it. */
export async function giveTime(
  now: Instant,
  tx: Db,
  actor: Actor,
  found: OnDesk,
  place: { course: CourseId; discussion: DiscussionId },
  chosen: readonly PersonId[],
  act: TimeAct,
): Promise<Result<null, TimeFailure>> {
  switch (act.act) {
    case 'extend': {
      const { responseDue, repliesDue } = act;
      if (!responseDue && !repliesDue) return fail({ code: 'no-dates' });
      const usual = everybodys(found);
      // Replies are never due before one's own response: a later response takes them along.
      const response = responseDue || usual.responseDue;
      const replies = repliesDue || (response > usual.repliesDue ? response : usual.repliesDue);
      const dates = checkedDates({ opens: usual.opens, responseDue: response, repliesDue: replies });
      if (!dates.ok) return dates;
      await putExtension(tx, place, chosen, {
        responseDue: response === usual.responseDue ? null : response,
        repliesDue: replies === usual.repliesDue && response !== usual.responseDue ? null : replies,
        reason: act.reason,
      });
      // Whoever asked has their answer with it.
      await answerTimeRequests(tx, place, chosen, true, now);
      await tellLeave(tx, now, place, actor.id, chosen, 'more-time');
      return ok(null);
    }
    case 'excuse':
      await putExcusal(tx, place, chosen, act.reason);
      await answerTimeRequests(tx, place, chosen, true, now);
      await tellLeave(tx, now, place, actor.id, chosen, 'excused');
      return ok(null);
    case 'refuse':
      await answerTimeRequests(tx, place, chosen, false, now);
      await tellLeave(tx, now, place, actor.id, chosen, 'refused');
      return ok(null);
    case 'usual':
      await dropLeave(tx, place, chosen);
      await tellLeave(tx, now, place, actor.id, chosen, 'usual');
      return ok(null);
  }
}
