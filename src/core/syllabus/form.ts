import { lateRuleSchema } from '../deadlines/late';
import { fail, ok, type Result } from '../result';
import { syllabusSchema, type Syllabus } from './syllabus';

/** A syllabus as the fields of a form: what there may be several of stands one on each line. */
export const SYLLABUS_FIELDS = [
  'late',
  'latePercent',
  'lateDays',
  'responseDay',
  'responseTime',
  'repliesDay',
  'repliesTime',
  'weights',
  'scale',
  'contactName',
  'contactEmail',
  'answers',
  'officeHours',
  'notes',
] as const;
export type SyllabusField = (typeof SYLLABUS_FIELDS)[number];
export type SyllabusFields = Partial<Record<SyllabusField, string>>;

/** What is wrong with a field; `line` is the line that cannot be read. */
export type SyllabusProblem = {
  field: SyllabusField;
  code: 'missing' | 'no-line' | 'no-time';
  line?: string;
};

const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const CLOCK = /^([01]?\d|2[0-3]):([0-5]\d)$/u;
const clockOf = (text: string): string | null => {
  const m = CLOCK.exec(text.trim());
  return m ? `${(m[1] ?? '').padStart(2, '0')}:${m[2] ?? ''}` : null;
};
const linesOf = (text: string | undefined) =>
  (text ?? '')
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** "Discussions 40 %": what, and how much. */
function amount(line: string): { what: string; n: number } | null {
  const m = /^(.+?)[\s:,–-]+(?:from\s+)?(\d{1,3}(?:[.,]\d+)?)\s*%?$/iu.exec(line);
  const n = m ? Number((m[2] ?? '').replace(',', '.')) : NaN;
  const what = (m?.[1] ?? '').replace(/[\s:,–-]+from$/iu, '').trim();
  return what && n >= 0 && n <= 100 ? { what, n } : null;
}

/** "Tuesday 14:00 to 15:30, Room 2.11": when and where somebody is to be met. */
function hours(line: string): Syllabus['officeHours'][number] | null {
  const m = /^([a-z]+)\s+([\d:]+)\s*(?:to|until|-|–)\s*([\d:]+)\s*[,;:]?\s*(.*)$/iu.exec(line);
  const day = DAYS.findIndex((d) => d.startsWith((m?.[1] ?? '?').toLowerCase().slice(0, 3)));
  const [from, to] = [clockOf(m?.[2] ?? ''), clockOf(m?.[3] ?? '')];
  return day >= 0 && from && to
    ? { weekday: day + 1, from, to, place: m?.[4]?.trim() || 'by arrangement' }
    : null;
}

/**
 * Reads the fields of the form, or names each that cannot be used, with the line.
 *
 * @example weights "Discussions 40 %\nNotebook 60 %" are two, of 40 and 60
 */
export function syllabusOfFields(
  fields: SyllabusFields,
): Result<Syllabus, { code: 'syllabus'; problems: SyllabusProblem[] }> {
  const problems: SyllabusProblem[] = [];
  const said = (field: SyllabusField) => (fields[field] ?? '').trim();
  const needed = (field: SyllabusField): string => {
    if (said(field) === '') problems.push({ field, code: 'missing' });
    return said(field);
  };
  const each = <T>(field: SyllabusField, read: (line: string) => T | null): T[] =>
    linesOf(fields[field]).flatMap((line) => {
      const one = read(line);
      if (one === null) problems.push({ field, code: 'no-line', line });
      return one === null ? [] : [one];
    });
  const habit = (day: SyllabusField, time: SyllabusField) => {
    const at = clockOf(said(time));
    if (at === null) problems.push({ field: time, code: 'no-time' });
    return { weekday: Math.min(7, Math.max(1, Number(said(day)) || 1)), time: at ?? '23:59' };
  };
  const days = Math.min(60, Math.max(1, Number(said('lateDays')) || 7));
  const rule = said('late');
  const weights = each('weights', amount).map(({ what, n }) => ({ what: what.slice(0, 80), percent: n }));
  const scale = each('scale', amount).map(({ what, n }) => ({ grade: what.slice(0, 40), from: n }));
  for (const [field, list] of [
    ['weights', weights],
    ['scale', scale],
  ] as const)
    if (list.length === 0 && !problems.some((p) => p.field === field))
      problems.push({ field, code: 'missing' });
  const syllabus = {
    late: lateRuleSchema.parse(
      rule === 'penalty'
        ? { rule, days, percentPerDay: Math.min(100, Math.max(0, Number(said('latePercent')) || 0)) }
        : rule === 'accepted'
          ? { rule, days }
          : { rule: 'refused' },
    ),
    habits: {
      response: habit('responseDay', 'responseTime'),
      replies: habit('repliesDay', 'repliesTime'),
    },
    weights,
    scale,
    contact: {
      name: needed('contactName').slice(0, 120),
      email: needed('contactEmail'),
      answers: said('answers').slice(0, 200),
    },
    officeHours: each('officeHours', hours),
    notes: said('notes').slice(0, 10_000),
  };
  const read = syllabusSchema.safeParse(syllabus);
  if (problems.length === 0 && !read.success) problems.push({ field: 'contactEmail', code: 'no-line' });
  return problems.length || !read.success ? fail({ code: 'syllabus', problems }) : ok(read.data);
}

/**
 * The way back.
 * @example fieldsOfSyllabus(syllabus).weights // 'Discussions 40 %\nField notebook 60 %'
 */
export function fieldsOfSyllabus(syllabus: Syllabus): SyllabusFields {
  const { late, habits, contact } = syllabus;
  const day = (n: number) => {
    const name = DAYS[n - 1] ?? '';
    return name.charAt(0).toUpperCase() + name.slice(1);
  };
  return {
    late: late.rule,
    ...(late.rule === 'refused' ? {} : { lateDays: String(late.days) }),
    ...(late.rule === 'penalty' ? { latePercent: String(late.percentPerDay) } : {}),
    responseDay: String(habits.response.weekday),
    responseTime: habits.response.time,
    repliesDay: String(habits.replies.weekday),
    repliesTime: habits.replies.time,
    weights: syllabus.weights.map((w) => `${w.what} ${w.percent} %`).join('\n'),
    scale: syllabus.scale.map((s) => `${s.grade} from ${s.from} %`).join('\n'),
    contactName: contact.name,
    contactEmail: contact.email,
    answers: contact.answers,
    officeHours: syllabus.officeHours
      .map((o) => `${day(o.weekday)} ${o.from} to ${o.to}, ${o.place}`)
      .join('\n'),
    notes: syllabus.notes,
  };
}
