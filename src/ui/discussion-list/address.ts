import { discussionsAt } from '@/contract/addresses';
import type { ListAsk } from '@/contract/discussion-list';

/** The address of Discussions with some of its filters changed; a filter is taken off by `undefined`. */
export const listAddress = (ask: ListAsk, change: Partial<ListAsk> = {}): string =>
  discussionsAt({ ...ask, ...change });
