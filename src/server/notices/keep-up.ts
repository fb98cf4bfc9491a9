import type { Deps } from '../deps';
import { dealPosts } from './deal';
import { deliverDue } from './deliver';
import { tellAnnouncements } from './happened';
import { tellAllOpened } from './tell';

/** What the clock alone brings about, once a minute and not with every share: who waits behind a seal is looked for in each discussion. */
export const openByClock = (deps: Pick<Deps, 'db' | 'now'>): Promise<void> =>
  deps.db.transaction((tx) => tellAllOpened(deps, tx));

/** Everything that waits to be told, and then everything that is due to be sent; done again it does nothing more. */
export async function keepUp(deps: Pick<Deps, 'db' | 'now'>): Promise<void> {
  await deps.db.transaction((tx) => tellAnnouncements(deps, tx));
  await dealPosts(deps);
  await deliverDue(deps);
}
