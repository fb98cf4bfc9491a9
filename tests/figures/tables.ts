import type { Knex } from 'knex';
import type { Brief, CheckId } from '@/core/brief/brief';
import type { CheckFigure } from '@/core/checks/types';
import type { LateRule } from '@/core/deadlines/late';

type Kind = 'response' | 'reply';
type Moment = number | null;

/** The rows of every table that a figure on a screen rests on. */
export type Tables = {
  people: { id: string; name: string; time_zone: string }[];
  enrolments: { course_id: string; person_id: string; role: string }[];
  discussions: {
    id: string;
    course_id: string;
    slug: string;
    title: string;
    week: number;
    brief: Brief;
    late: LateRule;
    grace_minutes: number;
    opens: string;
    response_due: string;
    replies_due: string;
    shown: boolean;
  }[];
  courses: { id: string; code: string; time_zone: string }[];
  weeks: { course_id: string; number: number; starts_on: string }[];
  posts: {
    id: number;
    discussion_id: string;
    author_id: string;
    kind: Kind;
    parent_id: number | null;
    private_to: string | null;
    withdrawn_at: Moment;
    hidden_at: Moment;
  }[];
  post_versions: {
    post_id: number;
    n: number;
    shared_at: number;
    unmet: CheckId[];
    own_words: number;
    plain: string;
  }[];
  drafts: {
    discussion_id: string;
    author_id: string;
    kind: Kind;
    parent_id: number | null;
    blank: boolean;
    checks: CheckFigure[];
  }[];
  extensions: {
    discussion_id: string;
    person_id: string;
    response_due: string | null;
    replies_due: string | null;
  }[];
  accommodations: { course_id: string; person_id: string; hours: number }[];
  excusals: { discussion_id: string; person_id: string }[];
  reads: { person_id: string; post_id: number }[];
  readings: { id: string; course_id: string; slug: string; week: number; title: string; words: number }[];
  reading_progress: { person_id: string; reading_id: string; seconds: number; read_at: Moment }[];
  writing_spells: {
    person_id: string;
    ended_at: number;
    words_added: number;
    writing_seconds: number;
    proofreading_seconds: number;
  }[];
  planning_habits: { person_id: string; habits: unknown }[];
  busy_calendars: { id: string; person_id: string }[];
  busy_times: { calendar_id: string; starts_at: number; ends_at: number; title: string }[];
};

const NAMES: (keyof Tables)[] = [
  'people',
  'enrolments',
  'discussions',
  'courses',
  'weeks',
  'posts',
  'post_versions',
  'drafts',
  'extensions',
  'accommodations',
  'excusals',
  'reads',
  'readings',
  'reading_progress',
  'writing_spells',
  'planning_habits',
  'busy_calendars',
  'busy_times',
];

/** All of them, read whole. */
export async function readTables(db: Knex): Promise<Tables> {
  const rows = await Promise.all(NAMES.map((name) => db(name).select('*')));
  return Object.fromEntries(NAMES.map((name, i) => [name, rows[i]])) as unknown as Tables;
}
