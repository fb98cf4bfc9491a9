/**
 * Who somebody is to the place where something is done: nobody in particular, somebody who is signed in, a student or one of the staff of
 * the course it is done in, somebody who looks on there, the owner of a course that is not held here, or a steward of the installation.
 */
export type Standing = 'anybody' | 'person' | 'student' | 'observer' | 'staff' | 'owner' | 'steward';

const MEMBERS = ['student', 'staff', 'owner'] as const;
/** Whoever may read what the class reads. */
const READERS = ['student', 'observer', 'staff', 'owner'] as const;
const KEEPERS = ['staff', 'owner'] as const;

/**
 * Everything that a request can ask for, and who may: the one table. What is asked of the thing itself beside (whether it is one's own,
 * open, sealed, locked) is the use-case's.
 */
export const ACTS = {
  'watch the server': ['anybody'],
  'sign in or out': ['anybody'],
  'hand a key over': ['anybody'],
  'read a feed by its address': ['anybody'],
  'want less mail': ['anybody'],
  'answer a mail of the demo': ['anybody'],
  'see a player': ['anybody'],
  'see the college’s sign-on': ['anybody'],

  'see the college’s mark': ['anybody'],
  'see the keys of receipts': ['anybody'],

  'keep oneself': ['person'],
  'see a face': ['person'],
  'keep one’s calendar': ['person'],
  'keep one’s files': ['person'],
  'see a file': ['person'],
  'bring a prompt in': ['person'],
  'look for something': ['person'],
  'ask about a link': ['person'],
  'save a text': ['person'],
  'have a receipt': ['person'],
  'move the demo’s clock': ['person'],
  'note an announcement': ['person'],

  'read posts': READERS,
  follow: READERS,
  write: MEMBERS,
  share: MEMBERS,
  'change a post': MEMBERS,
  react: MEMBERS,
  'moderate or report': MEMBERS,
  annotate: MEMBERS,
  'read a reading': READERS,
  'bring files into a course': MEMBERS,
  'note what was watched': MEMBERS,

  'estimate oneself': ['student', 'owner'],
  'ask for time': ['student'],
  'answer a comment': ['student'],
  'say one’s times': ['student'],
  'hand a draft over': ['student'],
  'sign a syllabus': ['student'],
  'ask the course': ['student', 'staff'],
  'say what is broken': ['student', 'observer', 'staff'],
  'mark a part': ['staff'],
  'keep the desk': ['staff'],
  announce: ['staff'],
  'keep material': KEEPERS,
  'keep an outside discussion': ['owner'],

  'look after the installation': ['steward'],
} as const satisfies Record<string, readonly Standing[]>;

export type Act = keyof typeof ACTS;
/** Acts that nobody has to be signed in for. */
export type OpenAct = { [A in Act]: (typeof ACTS)[A] extends readonly ['anybody'] ? A : never }[Act];

/** Whether nobody has to be signed in for an act. @example isOpen('share') // false */
export const isOpen = (act: Act): boolean => (ACTS[act] as readonly Standing[]).includes('anybody');

/** Standings that somebody has by a course, and not by being somebody. */
const IN_A_COURSE: readonly Standing[] = READERS;

/** Whether it has to be known who somebody is in a course, before an act is let happen. @example isInCourse('share') // true */
export const isInCourse = (act: Act): boolean =>
  (ACTS[act] as readonly Standing[]).every((s) => IN_A_COURSE.includes(s));

/**
 * Whether somebody of these standings may do an act.
 *
 * @example mayDo('announce', ['person', 'student']) // false
 */
export const mayDo = (act: Act, standings: readonly Standing[]): boolean => {
  const allowed: readonly Standing[] = ACTS[act];
  return allowed.includes('anybody') || standings.some((s) => allowed.includes(s));
};
