/** What a course knows of how somebody has begun in it. */
export type Begun = {
  /** Whether its syllabus is to be signed, and was. */
  syllabus: { toSign: boolean; signed: boolean };
  /** Of the readings of its first week that has any: how many there are, and how many were read. */
  readings: { all: number; read: number };
  /** Whether any discussion is held in groups, and whether one has said when one has time. */
  groups: { held: boolean; said: boolean };
  /** Whether there is a discussion to begin with, or one has begun; and whether one has shared a response in any. */
  response: { open: boolean; shared: boolean };
};

export type FirstStep = {
  what: 'sign' | 'read' | 'times' | 'respond';
  done: boolean;
  have: number;
  need: number;
};

const once = (what: FirstStep['what'], done: boolean): FirstStep => ({
  what,
  done,
  have: Number(done),
  need: 1,
});

/**
 * What to do first in a course, in the order in which it is done: only what this course asks for, each with how far it is.
 *
 * @example firstSteps({ syllabus: { toSign: true, signed: false }, … })[0] // { what: 'sign', done: false, have: 0, need: 1 }
 */
export function firstSteps({ syllabus, readings, groups, response }: Begun): FirstStep[] {
  return [
    ...(syllabus.toSign ? [once('sign', syllabus.signed)] : []),
    ...(readings.all > 0
      ? [
          {
            what: 'read' as const,
            done: readings.read >= readings.all,
            have: readings.read,
            need: readings.all,
          },
        ]
      : []),
    ...(groups.held ? [once('times', groups.said)] : []),
    ...(response.open ? [once('respond', response.shared)] : []),
  ];
}
