import { demoPeople } from '@/db/queries/people';
import type { Deps } from '../deps';

/** The people the demo's sign-in page offers by one click. */
export const offeredPeople = (deps: Pick<Deps, 'db'>) => demoPeople(deps.db);
