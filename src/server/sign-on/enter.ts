import { randomUUID } from 'node:crypto';
import { personId, type PersonId } from '@/core/ids';
import { mailAddressSchema, personNameSchema } from '@/core/people/naming';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { account, accountByAddress, insertAccount } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import { openInvitationsTo } from '@/db/queries/invitations';
import { linkSubject, personBySubject } from '@/db/queries/sign-on';
import type { Deps } from '../deps';
import { openPlaces } from '../people/accept';
import { timeZoneSchema } from '../people/time-zone';
import { letIn, type Coming, type Entry } from '../sessions/sessions';
import { mayTry } from '../sessions/tries';
import { beginHalfWay, finishHalfWay } from '../ways-in/half-way';
import type { Asked, Claims, SignOn } from './port';

/** Whether the college's sign-on is offered: there is one, and stewards have not turned it off. */
export const isOffered = async (db: Db, signOn: SignOn | null): Promise<boolean> =>
  signOn !== null && ((await college(db))?.signOn ?? true);

export type SignOnFailure =
  | { code: 'no-sign-on' }
  | { code: 'sign-on-silent' }
  | { code: 'too-many-tries' }
  | { code: 'over' }
  | { code: 'refused-there' }
  | { code: 'no-address' }
  | { code: 'linked-otherwise' }
  | { code: 'not-invited' }
  | { code: 'ended' };

/** Sends a browser to the college's sign-on. */
export async function goToSignOn(
  deps: Deps,
  signOn: SignOn | null,
  asked: { back: string; to: string; network: string | null },
): Promise<Result<{ address: string; token: string }, SignOnFailure>> {
  if (!signOn || !(await isOffered(deps.db, signOn))) return fail({ code: 'no-sign-on' });
  if (!(await mayTry(deps, 'sign-on', { about: '', network: asked.network })))
    return fail({ code: 'too-many-tries' });
  const gone = await signOn.ask(asked.back).catch(() => null);
  if (!gone) return fail({ code: 'sign-on-silent' });
  const token = await beginHalfWay(deps, 'sign-on', null, { ...gone.asked, to: asked.to });
  return ok({ address: gone.address, token });
}

/** Whose account it is that somebody comes for: by their subject, or once by an address that the college answers for. */
async function accountFor(
  tx: Db,
  deps: Deps,
  claims: Claims,
  demo: boolean,
): Promise<Result<PersonId, SignOnFailure>> {
  const linked = await personBySubject(tx, claims.issuer, claims.subject);
  if (linked) {
    const self = await account(tx, linked);
    return self && self.ended === null && (demo || !self.demo) ? ok(linked) : fail({ code: 'ended' });
  }
  const address = mailAddressSchema.safeParse(claims.email ?? '');
  if (!address.success || !claims.verified) return fail({ code: 'no-address' });
  const email = address.data;
  const link = async (person: PersonId): Promise<Result<PersonId, SignOnFailure>> =>
    (await linkSubject(tx, { issuer: claims.issuer, subject: claims.subject, person, now: deps.now }))
      ? ok(person)
      : fail({ code: 'linked-otherwise' });
  const there = await accountByAddress(tx, email);
  if (there) {
    if (there.ended !== null || (there.demo && !demo)) return fail({ code: 'ended' });
    const done = await link(there.id);
    if (done.ok) await openPlaces(tx, deps, email, there.id);
    return done;
  }
  const home = await college(tx);
  const invited = (await openInvitationsTo(tx, email))[0];
  if (!invited && !home?.signOnNew) return fail({ code: 'not-invited' });
  const id = personId(randomUUID());
  const zone = timeZoneSchema.safeParse(claims.zone);
  await insertAccount(tx, {
    id,
    name: nameOf(claims, invited?.name ?? '', email),
    email,
    passwordHash: null,
    timeZone: zone.success ? zone.data : (home?.timeZone ?? 'UTC'),
    steward: false,
    now: deps.now,
  });
  await openPlaces(tx, deps, email, id);
  return link(id);
}

/** The name an account begins with: as the college says it, as it was invited, or what stands before the @. */
function nameOf(claims: Claims, invited: string, email: string): string {
  for (const name of [claims.name, invited, email.split('@')[0]]) {
    const read = personNameSchema.safeParse(name);
    if (read.success) return read.data;
  }
  return email;
}

/** Somebody comes back from the college's sign-on: signed in, where the college says who they are and they have a place here. */
export async function comeBack(
  deps: Deps,
  signOn: SignOn | null,
  came: { token: string | null; url: URL; from: Coming; demo: boolean },
): Promise<Result<{ entry: Entry; to: string }, SignOnFailure>> {
  if (!signOn || !(await isOffered(deps.db, signOn))) return fail({ code: 'no-sign-on' });
  const way = await finishHalfWay(deps, 'sign-on', came.token);
  if (!way) return fail({ code: 'over' });
  const { to = '/', ...asked } = way.expected;
  const claims = await signOn.answer(came.url, asked as Asked).catch(() => 'silent' as const);
  if (claims === 'silent') return fail({ code: 'sign-on-silent' });
  if (!claims) return fail({ code: 'refused-there' });
  return deps.db.transaction(async (tx) => {
    const found = await accountFor(tx, deps, claims, came.demo);
    if (!found.ok) return found;
    return ok({ entry: await letIn({ db: tx, now: deps.now }, found.value, came.from), to });
  });
}
