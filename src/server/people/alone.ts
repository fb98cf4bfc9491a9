import { randomUUID } from 'node:crypto';
import { accountByAddress } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import { insertInvitations, openInvitationsTo } from '@/db/queries/invitations';
import { postMail } from '@/db/queries/mails';
import type { Deps } from '../deps';
import { mayTry } from '../sessions/tries';

/** Whether this installation lets anybody make an account for themselves. */
export const mayComeAlone = async (deps: Pick<Deps, 'db'>): Promise<boolean> =>
  (await college(deps.db))?.alone ?? false;

/**
 * Somebody wants an account for themselves: a link goes to the address, and only that makes one. What is answered is the same whether the
 * address is known here or not; whoever has an account is told so by mail.
 */
export async function askForOwnAccount(deps: Deps, email: string, network: string | null): Promise<void> {
  if (!(await mayComeAlone(deps))) return;
  if (!(await mayTry(deps, 'alone', { about: email, network }))) return;
  await deps.db.transaction(async (tx) => {
    const mail = (kind: string, about: object) =>
      postMail(tx, { id: randomUUID(), kind, to: email, about, now: deps.now });
    const account = await accountByAddress(tx, email);
    if (account) return mail('have-account', { person: account.id });
    const [open] = await openInvitationsTo(tx, email);
    if (open) return mail('invitation', { invitation: open.id });
    const id = randomUUID();
    await insertInvitations(tx, [
      { id, name: '', email, course: null, role: null, steward: false, by: null, now: deps.now },
    ]);
    return mail('invitation', { invitation: id });
  });
}
