import type { DiscussionState } from '@/core/deadlines/state';

const NAMES: Record<DiscussionState, string> = {
  upcoming: 'Not open yet',
  open: 'Open',
  closing: 'Closing within a day',
  late: 'Open for late work',
  closed: 'Closed, for reading',
};

/** A discussion's state as a line says it. */
export const stateName = (state: DiscussionState) => NAMES[state];

/** The states as filters, the pressing ones first. */
export const STATE_FILTERS: [DiscussionState, string][] = [
  ['closing', 'Closing'],
  ['late', 'Late'],
  ['open', 'Open'],
  ['upcoming', 'Not open yet'],
  ['closed', 'Closed'],
];
