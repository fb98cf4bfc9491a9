import { createHmac } from 'node:crypto';
import { connect } from '@/db/connection';
import { grantServing } from '@/db/grants';

/** The role of the processes that serve people, in a cluster of Pulpit's own. */
const ROLE = 'pulpit_web';

/**
 * The address under which the processes that serve people use a database of a cluster of Pulpit's own: as a role that owns nothing and
 * may only read and write rows. Its password follows from the owner's, so that it is kept nowhere.
 *
 * @param owner the address of the database as its owner has it, whose tables are up to date
 */
export async function servingUrl(owner: string): Promise<string> {
  const address = new URL(owner);
  const password = createHmac('sha256', decodeURIComponent(address.password))
    .update(ROLE)
    .digest('base64url');
  const db = connect(owner, { poolMax: 1 });
  try {
    // Two that start at once make one role.
    await db.transaction(async (tx) => {
      await tx.raw('select pg_advisory_xact_lock(hashtextextended(?, 7))', [ROLE]);
      const { rows } = await tx.raw('select 1 from pg_roles where rolname = ?', [ROLE]);
      // A role's name and password stand in no place of a parameter; both are of letters that need no quoting.
      if (rows.length === 0) await tx.raw(`create role ${ROLE} login nosuperuser nocreatedb nocreaterole`);
      await tx.raw(`alter role ${ROLE} password '${password}'`);
    });
    await grantServing(db, ROLE);
  } finally {
    await db.destroy();
  }
  address.username = ROLE;
  address.password = password;
  return address.href;
}
