import { discussionsAt } from '@/contract/addresses';
import type { ListAskView } from './types';

/** The address of Discussions with some of its filters changed; a filter is taken off by `undefined`. */
export const listAddress = (ask: ListAskView, change: Partial<ListAskView> = {}): string =>
  discussionsAt({ ...ask, ...change });
