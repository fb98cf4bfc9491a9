import { z } from 'zod';

/** Who a question is for, and who may read its answers. */
export const AUDIENCES = ['everybody', 'group', 'staff'] as const;
export type Audience = (typeof AUDIENCES)[number];

/** From whom the name of who asks is covered: nobody, the class, or staff as well. */
export const COVERS = ['no', 'class', 'all'] as const;
export type Cover = (typeof COVERS)[number];

/** Not everything that is said there asks: something found, a thank-you, a plan to meet is told. */
export const QUESTION_KINDS = ['asks', 'tells', 'line', 'hands', 'corner', 'meets'] as const;
/**
 * `line` is the one continuing exchange of a student with the staff of a course, `hands` a show of hands, `meets` an hour to meet that staff
 * offer; what stands in the corner of a course is about anything, and apart from the rest.
 */
export type QuestionKind = (typeof QUESTION_KINDS)[number];

/** Where something was asked: its kind, which it is, and how it is called there. */
export const aboutSchema = z.strictObject({
  of: z.enum(['prompt', 'reading', 'check', 'mark', 'post']),
  /** A discussion's name in addresses; or a reading's number. */
  place: z.string().min(1).max(80),
  /** The passage or the check that is meant. */
  at: z.string().max(80).optional(),
  called: z.string().max(200),
});
export type About = z.infer<typeof aboutSchema>;

export const askingSchema = z.strictObject({
  kind: z.enum(QUESTION_KINDS),
  audience: z.enum(AUDIENCES),
  cover: z.enum(COVERS),
  about: aboutSchema.nullable(),
});
export type Asking = z.infer<typeof askingSchema>;

/** How a course takes questions, as its staff say it. */
export type QuestionRules = {
  /** Whether names may be covered from staff as well. */
  coverFromStaff: boolean;
  /** When staff are there, in their words. */
  hours: string;
  /** What its corner for anything is called; empty where it keeps none. */
  corner: string;
};

/** What stands against asking in this way. */
export type AskingRefusal =
  { code: 'no-group' } | { code: 'no-cover-from-staff' } | { code: 'no-corner' } | { code: 'staff-only' };

/**
 * What somebody asks, as it holds: a line goes to staff and nobody else, and from whom nobody is there the name is not covered. Or what stands
 * against it.
 *
 * @param course whether they are in a group of it, whether it takes questions whose asker staff do not know, whether it keeps a corner, and
 * whether they are of its staff: these are no classmates, and under cover would speak as one
 * @example settled({ kind: 'asks', audience: 'staff', cover: 'class', about: null }, …) // the class never sees it: cover 'no'
 */
export function settled(
  asking: Asking,
  course: { grouped: boolean; coverFromStaff: boolean; corner: boolean; staff: boolean },
): { ok: true; asking: Asking } | { ok: false; failure: AskingRefusal } {
  const { kind } = asking;
  if (kind === 'corner' && !course.corner) return { ok: false, failure: { code: 'no-corner' } };
  if (kind === 'meets' && !course.staff) return { ok: false, failure: { code: 'staff-only' } };
  const audience =
    kind === 'line' ? 'staff' : kind === 'corner' || kind === 'meets' ? 'everybody' : asking.audience;
  if (audience === 'group' && !course.grouped) return { ok: false, failure: { code: 'no-group' } };
  const wanted = kind === 'line' || course.staff ? 'no' : asking.cover;
  if (wanted === 'all' && !course.coverFromStaff)
    return { ok: false, failure: { code: 'no-cover-from-staff' } };
  const cover = wanted === 'class' && audience === 'staff' ? 'no' : wanted;
  return { ok: true, asking: { ...asking, audience, cover } };
}

const inWords = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
const people = (n: number) => (n === 1 ? 'one person' : `${n} people`);

/**
 * The sentence beside the button: exactly who will see what is asked, and whose name.
 *
 * @param classmates how many there are in the course beside who asks, or in their group
 * @example whoSees({ audience: 'everybody', cover: 'class' }, { classmates: 25, group: null, staff: ['Dr. Holt'] })
 * // '25 people and Dr. Holt will see it. The class does not see your name; Dr. Holt does.'
 */
export function whoSees(
  { audience, cover }: Pick<Asking, 'audience' | 'cover'>,
  course: { classmates: number; group: { name: string; others: number } | null; staff: readonly string[] },
): string {
  const staff = inWords(course.staff);
  const readers =
    audience === 'staff'
      ? `${staff} and nobody else`
      : audience === 'group'
        ? `${people(course.group?.others ?? 0)} of ${course.group?.name ?? 'your group'}, and ${staff},`
        : `${people(course.classmates)} and ${staff}`;
  const sees = `${readers} will see it.`;
  switch (cover) {
    case 'no':
      return `${sees} Your name stands beside it.`;
    case 'class':
      return `${sees} The class does not see your name; ${staff} ${course.staff.length === 1 ? 'does' : 'do'}.`;
    case 'all':
      return `${sees} Nobody sees your name, nor can anybody here look it up.`;
  }
}
