import { entryStatus, type DiscussionEntry } from '@/core/calendar/entries';
import { plural } from './plural';

const KINDS: Record<DiscussionEntry['kind'], string> = {
  opens: 'opens',
  response: 'response due',
  replies: 'replies due',
  closes: 'closes',
};

/** "response due" */
export const entryKind = (entry: Pick<DiscussionEntry, 'kind'>) => KINDS[entry.kind];

/** How the entry stands: "still owed", "3 replies still owed", "done", "missed"; nothing where nothing is owed. */
export function entryStatusText(entry: Pick<DiscussionEntry, 'kind' | 'states' | 'over'>): string {
  const status = entryStatus(entry);
  const things = (n: number) => (entry.kind === 'response' ? '' : `${plural(n, 'reply', 'replies')} `);
  switch (status.code) {
    case 'owed':
      return `${things(status.n)}still owed`;
    case 'missed':
      return `${things(status.n)}missed`;
    case 'short':
      return `${things(status.n)}short`;
    case 'done':
      return 'done';
    case 'nothing-owed':
      return '';
  }
}

/** A task as the plan names it: "GEO 115: response", "PLA 204: reply 2". */
export const taskName = (a: { course: { code: string }; kind: 'response' | 'reply'; n: number }) =>
  `${a.course.code}: ${a.kind === 'response' ? 'response' : `reply ${a.n}`}`;
