'use client';

import { daysLater, wallClockAt } from '@/core/deadlines/wallclock';
import { instant } from '@/core/ids';
import { MEETING_LIMITS, meetingSchema, type MeetingAsked } from '@/core/questions/meeting';
import { typedWall } from '@/core/deadlines/typed';
import { WhenField } from '../frame/when-field';

/** An hour to meet as it is written: numbers as they are typed. */
export type MeetingDraft = { starts: string; minutes: string; place: string; slots: string };

/** Tomorrow at five, for an hour, in six slots. */
export const freshMeeting = (now: number, zone: string): MeetingDraft => ({
  starts: `${daysLater(wallClockAt(instant(now), zone), 1).slice(0, 10)}T17:00`,
  minutes: '60',
  place: '',
  slots: '6',
});

/** An hour to meet as its fields say it, by their names. */
export const meetingTyped = (typed: Readonly<Record<string, string | undefined>>): MeetingDraft => ({
  starts: typedWall(typed.starts ?? ''),
  minutes: typed.minutes ?? '',
  place: typed.place ?? '',
  slots: typed.slots ?? '',
});

export function meetingOf(draft: MeetingDraft): MeetingAsked | null {
  const read = meetingSchema.safeParse({
    ...draft,
    minutes: Number(draft.minutes),
    slots: Number(draft.slots),
  });
  return read.success ? read.data : null;
}

/** When, for how long, where, and into how many slots it is parted. */
export function MeetingFields({
  meeting,
  change,
  form,
}: {
  meeting: MeetingDraft;
  change: (meeting: MeetingDraft) => void;
  /** The form they belong to as long as no script runs. */
  form: string;
}) {
  const set = (part: Partial<MeetingDraft>) => change({ ...meeting, ...part });
  return (
    <div className="grid gap-x-4 gap-y-2 text-[13px] sm:grid-cols-[auto_auto_auto_minmax(0,1fr)]">
      <label className="grid content-start gap-1 font-semibold">
        Begins, by the course’s clock
        <WhenField
          className="field !min-h-8 w-44 font-normal"
          name="starts"
          form={form}
          wall={meeting.starts}
          onWall={(starts) => set({ starts })}
        />
      </label>
      <label className="grid content-start gap-1 font-semibold">
        Minutes
        <input
          className="field !min-h-8 w-20 font-normal"
          type="number"
          min={5}
          max={MEETING_LIMITS.minutes}
          name="minutes"
          form={form}
          value={meeting.minutes}
          onChange={(e) => set({ minutes: e.target.value })}
        />
      </label>
      <label className="grid content-start gap-1 font-semibold">
        Slots; 0 for who comes
        <input
          className="field !min-h-8 w-20 font-normal"
          type="number"
          min={0}
          max={MEETING_LIMITS.slots}
          name="slots"
          form={form}
          value={meeting.slots}
          onChange={(e) => set({ slots: e.target.value })}
        />
      </label>
      <label className="grid content-start gap-1 font-semibold">
        Where: a room, or the address of one
        <input
          className="field !min-h-8 font-normal"
          maxLength={MEETING_LIMITS.place}
          name="place"
          form={form}
          value={meeting.place}
          onChange={(e) => set({ place: e.target.value })}
        />
      </label>
    </div>
  );
}
