import { z } from 'zod';
import { storable } from '../document/document';
import { instant, type Instant, type PersonId } from '../ids';

const MINUTE_MS = 60_000;
export const MEETING_LIMITS = { minutes: 600, place: 400, slots: 60 } as const;

export const meetingSchema = z.strictObject({
  /** By the course's clock. */
  starts: z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/u),
  minutes: z.number().int().min(5).max(MEETING_LIMITS.minutes),
  /** Where: a room, or the address of one. */
  place: z.string().trim().min(1).max(MEETING_LIMITS.place).transform(storable),
  /** Into how many equal slots it is parted; with none whoever wants comes. */
  slots: z.number().int().min(0).max(MEETING_LIMITS.slots),
});
export type MeetingAsked = z.infer<typeof meetingSchema>;

/** An hour to meet as it stands. */
export type Meeting = Omit<MeetingAsked, 'starts'> & {
  starts: Instant;
  calledOffAt: Instant | null;
  taken: readonly { n: number; person: PersonId; name: string }[];
};

/** When it ends. @example endOf({ starts: 0, minutes: 30 }) // 1_800_000 */
export const endOf = ({ starts, minutes }: Pick<Meeting, 'starts' | 'minutes'>): Instant =>
  instant(starts + minutes * MINUTE_MS);

export type Slot = { n: number; from: Instant; until: Instant };

/**
 * The slots of an hour to meet, all of one length; to whole minutes, and what is left over is the last one's.
 * @example slotsOf({ starts: 0, minutes: 50, slots: 3 }) // from 0, 16 and 32 minutes on, until 50
 */
export function slotsOf({ starts, minutes, slots }: Pick<Meeting, 'starts' | 'minutes' | 'slots'>): Slot[] {
  const each = slots ? Math.floor(minutes / slots) : 0;
  return Array.from({ length: slots }, (_, n) => ({
    n,
    from: instant(starts + n * each * MINUTE_MS),
    until: n === slots - 1 ? endOf({ starts, minutes }) : instant(starts + (n + 1) * each * MINUTE_MS),
  }));
}

/** Whether its slots are long enough to be any. @example mayPart({ minutes: 10, slots: 12 }) // false */
export const mayPart = ({ minutes, slots }: Pick<MeetingAsked, 'minutes' | 'slots'>): boolean =>
  slots === 0 || minutes / slots >= 1;

/** What stands against taking a slot. */
export type SlotRefusal = 'no-such-slot' | 'taken' | 'over' | 'called-off';

/**
 * Whether somebody may have a slot at a moment; what they had before is theirs no more once they take another.
 * @example a slot that somebody else has: 'taken'
 */
export function slotRefused(meeting: Meeting, n: number, who: PersonId, now: Instant): SlotRefusal | null {
  if (meeting.calledOffAt !== null) return 'called-off';
  const slot = slotsOf(meeting)[n];
  if (!slot) return 'no-such-slot';
  if (now >= slot.from) return 'over';
  return meeting.taken.some((t) => t.n === n && t.person !== who) ? 'taken' : null;
}

/** An hour to meet as one of its course sees it. */
export type MeetingSeen = Pick<Meeting, 'starts' | 'minutes' | 'place' | 'calledOffAt'> & {
  ends: Instant;
  over: boolean;
  slots: (Slot & { taken: boolean; mine: boolean; /** Whose it is, for staff. */ who: string | null })[];
};

/**
 * An hour to meet as somebody sees it at a moment: of the slots of others a student is told that they are taken, and not by whom.
 * @example for a student, the slot of another: { taken: true, mine: false, who: null, … }
 */
export function meetingFor(
  meeting: Meeting,
  reader: { id: PersonId; staff: boolean },
  now: Instant,
): MeetingSeen {
  const { starts, minutes, place, calledOffAt } = meeting;
  const ends = endOf(meeting);
  const of = new Map(meeting.taken.map((t) => [t.n, t]));
  return {
    starts,
    minutes,
    place,
    calledOffAt,
    ends,
    over: now >= ends,
    slots: slotsOf(meeting).map((slot) => {
      const whose = of.get(slot.n);
      return {
        ...slot,
        taken: whose !== undefined,
        mine: whose?.person === reader.id,
        who: reader.staff && whose ? whose.name : null,
      };
    }),
  };
}
