/**
 * What a notice is about. `reply`, `name`: a post answers one's own or names one. `answer`: an answer to something one asked or said beside the
 * posts. `mark`: a mark or a comment. `change`: a date or a prompt is another. `post`: a new post where one follows. `announcement`. `report`, `request`:
 * what waits for the staff. `deadline`: a reminder of what is owed. `draft`: an answer by mail waits as a draft. `mail`: mail does not arrive.
 */
export const NOTICE_KINDS = [
  'reply',
  'name',
  'answer',
  'mark',
  'change',
  'post',
  'announcement',
  'report',
  'request',
  'deadline',
  'draft',
  'mail',
] as const;
export type NoticeKind = (typeof NOTICE_KINDS)[number];

/** How a notice reaches somebody beside this page: by mail at once, gathered at times of the day, once a day, or not at all. */
export const WAYS = ['once', 'gathered', 'daily', 'here'] as const;
export type Way = (typeof WAYS)[number];

/** The kinds that a person chooses a way for. What waits for the staff is one choice. */
export const CHOSEN_KINDS = ['reply', 'name', 'answer', 'mark', 'change', 'post', 'desk'] as const;
export type ChosenKind = (typeof CHOSEN_KINDS)[number];

/**
 * Which choice a kind of notice goes by; null where there is none: announcements and reminders always go at once (within the quiet hours),
 * and what is told about mail itself stays here.
 *
 * @example choiceFor('report') // 'desk'
 */
export function choiceFor(kind: NoticeKind): ChosenKind | null {
  switch (kind) {
    case 'report':
    case 'request':
      return 'desk';
    case 'announcement':
    case 'deadline':
    case 'draft':
    case 'mail':
      return null;
    default:
      return kind;
  }
}
