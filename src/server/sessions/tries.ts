import { foldedAddress } from '@/db/queries/sign-in';
import type { Deps } from '../deps';
import { takeTry } from './limiter';

const HOUR = 3_600;
/** So often an hour: by one address or person, and by one network for all. */
const MOST = { one: 5, network: 30 } as const;
/** A whole college may come from one network, and nothing is guessed by these: only how much is written is held down. */
const MOST_COMING = { one: 600, network: 600 } as const;

/**
 * Takes the right to try something that strangers can ask for without limit otherwise: a link for a forgotten password, a course's
 * code, a password once more. Counted by whom it is about and by the network it comes from, never by a person's address alone, so
 * that nobody can keep a named person out.
 */
export async function mayTry(
  deps: Deps,
  what: 'password' | 'code' | 'own-password' | 'alone' | 'archive' | 'second' | 'passkey' | 'sign-on',
  by: { about: string; network: string | null },
): Promise<boolean> {
  const most = what === 'sign-on' || what === 'passkey' ? MOST_COMING : MOST;
  const about = await foldedAddress(deps.db, by.about);
  const counted = [
    { key: `${what} ${about} ${by.network ?? ''}`, most: most.one },
    ...(by.network === null ? [] : [{ key: `${what} of ${by.network}`, most: most.network }]),
  ];
  return (await takeTry(deps.db, counted, HOUR)) !== null;
}
