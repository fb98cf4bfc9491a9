import { fail, ok, type Result } from '@/core/result';
import type { PersonId } from '@/core/ids';
import { isSteward } from '@/db/queries/accounts';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

declare const steward: unique symbol;

/** Somebody who looks after this installation; only {@link enterAsSteward} says who does. */
export type Steward = { id: PersonId; timeZone: string; readonly [steward]: true };

/** The stewards' door. For everybody else there is nothing behind it. */
export async function enterAsSteward(deps: Deps, actor: Actor): Promise<Result<Steward, NotFound>> {
  return (await isSteward(deps.db, actor.id))
    ? ok({ id: actor.id, timeZone: actor.timeZone } as Steward)
    : fail({ code: 'not-found' });
}
