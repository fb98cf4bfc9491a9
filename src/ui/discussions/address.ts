import type { ListAskView } from './types';

/** The address of Discussions with some of its filters changed; a filter is taken off by `undefined`. */
export function listAddress(ask: ListAskView, change: Partial<ListAskView> = {}): string {
  const query = new URLSearchParams(
    Object.entries({ ...ask, ...change }).filter((e): e is [string, string] => typeof e[1] === 'string'),
  ).toString();
  return query ? `/discussions?${query}` : '/discussions';
}
