import type { QuestionRules } from '@/core/questions/asking';
import type { Side } from '@/core/brief/brief';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Schedule } from '@/core/deadlines/schedule';
import type { Doc } from '@/core/document/nodes';
import type { Dates } from '@/core/desk/dates';
import type { Habits } from '@/core/desk/habits';
import type { SyllabusFields } from '@/core/syllabus/form';
import type { CourseView } from './course';

/** A discussion as it stands on the sheet of a term. */
export type DeskDiscussion = {
  slug: string;
  title: string;
  state: DiscussionState;
  /** The class sees it. */
  shown: boolean;
  /** When it shows itself; null where nobody has said. */
  showAt: number | null;
  schedule: Schedule;
  responses: number;
  posts: number;
  /** Students who ask for more time. */
  asking: number;
  /** Drafts and notes that students have begun in it. */
  begun: number;
  /** Students whose mark is begun, and those who see theirs. */
  marked: number;
  released: number;
  /** The holiday in which one of its deadlines lies. */
  inHoliday: string | null;
};

export type DeskWeek = {
  number: number;
  title: string;
  startsOn: string;
  overview: string;
  /** Names of holidays that it touches. */
  holidays: string[];
  readings: { slug: string; title: string }[];
  discussions: DeskDiscussion[];
};

/** What of a course needs who teaches it. */
export type Need =
  | {
      kind:
        | 'time'
        | 'handed'
        | 'reports'
        | 'differs'
        | 'unanswered'
        | 'silent'
        | 'unmarked'
        | 'second'
        | 'asked'
        | 'back';
      slug: string;
      title: string;
      n: number;
    }
  | {
      kind: 'trouble';
      place: { kind: 'discussions' | 'readings'; slug: string };
      title: string;
      said: { name: string; text: string; at: number }[];
    }
  | { kind: 'waiting'; n: number }
  /** Questions of the course that nobody, or classmates alone, have answered. */
  | { kind: 'questions'; n: number };

/** The whole term on one sheet. */
export type Term = {
  course: CourseView;
  now: number;
  students: number;
  weeks: DeskWeek[];
  needs: Need[];
  /** Prompts that were taken in and wait to become discussions. */
  waiting: { id: string; source: string; takenAt: number; opening: string }[];
  /** Other courses one teaches, which an empty one can take over. */
  others: { slug: string; name: string }[];
  /** Discussions of all courses one teaches, of which one or its week can be taken here. */
  sources: { slug: string; name: string }[];
  /** When a week after the last would begin. */
  nextStart: string;
};

/** More time, or none asked for, for one student. */
export type Leave = {
  person: string;
  name: string;
  excused: boolean;
  responseDue: string | null;
  repliesDue: string | null;
  reason: string;
};

/** That a student asks for more time, and why. */
export type TimeRequest = { person: string; name: string; reason: string; askedAt: number };

/** A draft that a student in trouble handed over, with when its text was kept while it was written. */
export type Handed = {
  id: string;
  name: string;
  kind: 'response' | 'reply';
  to: string | null;
  title: string;
  doc: Doc;
  said: string;
  handedAt: number;
  /** When the student's own draft was kept last; null where there is none any more. */
  keptAt: number | null;
  versions: { at: number; words: number }[];
};

/** One discussion on the desk: its dates, whether it is shown, and who has other deadlines. */
export type DeskPage = {
  course: CourseView;
  discussion: DeskDiscussion & { week: number };
  dates: Dates;
  students: { id: string; name: string }[];
  /** Students who owe a response and have shared none that stands. */
  silent: { id: string; name: string }[];
  /** Responses that nobody has answered yet. */
  unanswered: number;
  leaves: Leave[];
  requests: TimeRequest[];
  handed: Handed[];
  /** What the two sides are called, where students are given one; and whether one or more lead. */
  sides: [string, string] | null;
  leads: boolean;
  /** It is held in groups. */
  grouped: boolean;
  /** What was given to whom. */
  played: { person: string; side: Side | null; leads: boolean }[];
};

/** How a student stands in all that has opened in a course. */
export type Standing = {
  /** Discussions that have opened for the class. */
  opened: number;
  /** In how many of them a response of theirs stands. */
  responded: number;
  /** How many are complete, and in how many nothing is asked of them. */
  complete: number;
  excused: number;
  /** Responses and replies that can still be met, by their own deadlines; and in how many discussions some cannot any more. */
  owed: number;
  missed: number;
};

/** A student on the desk's page of the class. */
export type ClassLine = {
  id: string;
  name: string;
  email: string | null;
  picture: string | null;
  lastSeen: number | null;
  /** Hours that they always have more, and why. */
  moreHours: number;
  reason: string;
  standing: Standing;
};

/** The class at the desk, so many names at a time. */
export type ClassPage = {
  course: CourseView;
  now: number;
  students: ClassLine[];
  total: number;
  page: number;
  pages: number;
  discussions: { slug: string; title: string; week: number }[];
  /** Whom one's way here has chosen, by which way, and the discussion whose silent they are. */
  chosen: string[];
  choose: string;
  silentIn: string | null;
  /** How many announcements whoever looks has written here: the next one is kept on the machine under that number. */
  announced: number;
};

/** What a course is called, and what every new discussion of it begins with. */
export type SettingsPage = {
  course: CourseView;
  habits: Habits;
  /** Days on which it rests, one on each line. */
  holidays: string;
  /** How it takes questions. */
  questions: QuestionRules;
};

/** A discussion's rubric as it is built. */
export type DeskRubricPage = {
  course: CourseView;
  discussion: { slug: string; title: string };
  /** The form's fields, by their names. */
  fields: Record<string, string>;
  /** There is one already. */
  stands: boolean;
  /** Marks that were given by it: it does not change any more. */
  marks: number;
  posts: number;
  /** What the brief says the discussion is worth. */
  points: number | null;
  /** Rubrics of other discussions one teaches. */
  kept: { slug: string; title: string; code: string }[];
};

/** A student as groups are made of them. */
export type Groupable = { id: string; name: string; group: string | null; hasTimes: boolean };

/** The groups of a course, and who is in none. */
export type GroupsPage = {
  course: CourseView;
  groups: {
    id: string;
    name: string;
    members: Groupable[];
    /** Posts that belong to it: a group that has any stays. */
    posts: number;
    /** Times of the week at which all who said theirs can work. */
    together: number;
  }[];
  ungrouped: Groupable[];
  /** Discussions in which each group has a conversation of its own. */
  used: { slug: string; title: string; week: number }[];
};

/** What a change does to one student: posts that count no more or newly, and how much is met of what is owed. */
export type TouchedStudent = {
  id: string;
  name: string;
  /** It takes something from them. */
  worse: boolean;
  loses: number;
  gains: number;
  met: { was: number; is: number };
  owed: { was: number; is: number };
  complete: { was: boolean; is: boolean };
};

/** Other dates of a discussion, and whom they touch: asked again before they are kept. */
export type DatesPage = {
  course: CourseView;
  discussion: { slug: string; title: string };
  was: Dates;
  dates: Dates;
  touched: TouchedStudent[];
  stamp: string;
};

/** What is about to be done for single students; each of its fields is empty where it says nothing. */
export type AskedAgain = {
  act: 'extend' | 'excuse' | 'usual' | 'lead' | 'side';
  responseDue: string;
  repliesDue: string;
  side: string;
};

/** Something for single students that takes something from somebody: asked again before it is kept. */
export type AgainPage = {
  course: CourseView;
  discussion: { slug: string; title: string };
  asked: AskedAgain;
  people: { id: string; name: string }[];
  /** What the side is called; empty where none is given. */
  side: string;
  touched: TouchedStudent[];
  stamp: string;
};

/** Other hours all term that take something from somebody: asked again before they are kept, discussion by discussion. */
export type HoursAgainPage = {
  course: CourseView;
  /** So many more; 0 for none any more. */
  hours: number;
  people: { id: string; name: string }[];
  each: { discussion: { slug: string; title: string; week: number }; touched: TouchedStudent[] }[];
  stamp: string;
};

/** A course's syllabus as it is written, and who has signed it as it stands. */
export type DeskSyllabusPage = {
  course: CourseView;
  stands: boolean;
  fields: SyllabusFields;
  toSign: boolean;
  unsigned: { id: string; name: string }[];
  signed: number;
};

/** What was taken out of a cartridge, and what of it has no place here. */
export type CartridgeReport = {
  weeks: number;
  prompts: number;
  readings: number;
  files: number;
  left: string[];
  attributes: string[];
};
