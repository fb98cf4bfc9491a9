import { slotRefused, type SlotRefusal } from '@/core/questions/meeting';
import { isTime, typedWall } from '@/core/deadlines/typed';
import { fail, ok, type Result } from '@/core/result';
import { changeMeeting, meetingOf, takeSlot } from '@/db/queries/meetings';
import { tellMeeting } from '../notices/tell-asked';
import { comingAt } from './coming-at';
import type { Acting } from './acting';

type Refused = { code: SlotRefusal } | { code: 'no-such-question' } | { code: 'no-such-time' };

/** Takes a slot of an hour to meet, or gives one's own back. */
export const chooseSlot = (acting: Acting, n: number | null): Promise<Result<null, Refused>> =>
  acting.deps.db.transaction(async (tx): Promise<Result<null, Refused>> => {
    const { actor, course, question, deps } = acting;
    // Held: of two who press at once one has it.
    const meeting = await meetingOf(tx, question.post, true);
    if (!meeting) return fail({ code: 'no-such-question' });
    const against = n === null ? null : slotRefused(meeting, n, actor.id, deps.now);
    if (against) return fail({ code: against });
    await takeSlot(tx, { course: course.id, post: question.post, person: actor.id }, n);
    return ok(null);
  });

/** Moves an hour to meet, or calls it off; whoever has a slot in it is told. */
export const changeHour = (
  acting: Acting,
  to: { starts: string; place: string } | 'off',
): Promise<Result<null, Refused>> =>
  acting.deps.db.transaction(async (tx): Promise<Result<null, Refused>> => {
    const { deps, course, question } = acting;
    const meeting = await meetingOf(tx, question.post, true);
    if (!meeting) return fail({ code: 'no-such-question' });
    if (meeting.calledOffAt !== null) return fail({ code: 'called-off' });
    if (to === 'off') await changeMeeting(tx, question.post, { calledOffAt: deps.now });
    else {
      const wall = typedWall(to.starts);
      const starts = isTime(wall)
        ? comingAt(deps.now, course.zone, wall)
        : fail({ code: 'no-such-time' as const });
      if (!starts.ok) return starts;
      const place = to.place || meeting.place;
      await changeMeeting(tx, question.post, { starts: starts.value, minutes: meeting.minutes, place });
    }
    await tellMeeting(acting, tx, { off: to === 'off', to: meeting.taken.map((t) => t.person) });
    return ok(null);
  });
