import type { Knex } from 'knex';

/** Schemas in which the processes that serve people read and write rows: ours, and the queue's of jobs. */
const SCHEMAS = ['public', 'graphile_worker'];
/** What nobody takes out again: no row of these is ever deleted by a request. */
const LOGS = ['moderation_log', 'steward_log'];

/**
 * Lets a role read and write rows, and no more: it owns nothing, makes and drops no table, empties no log. Whoever grants owns the tables.
 * Asked again it grants for what has been added since.
 */
export async function grantServing(owner: Knex, role: string): Promise<void> {
  await owner.transaction(async (tx) => {
    for (const schema of SCHEMAS) {
      await tx.raw('grant usage on schema ?? to ??', [schema, role]);
      await tx.raw('grant select, insert, update, delete on all tables in schema ?? to ??', [schema, role]);
      await tx.raw('grant usage, select on all sequences in schema ?? to ??', [schema, role]);
      await tx.raw('grant execute on all functions in schema ?? to ??', [schema, role]);
    }
    await tx.raw('revoke create on schema public from public');
    for (const log of LOGS) await tx.raw('revoke delete, truncate on ?? from ??', [log, role]);
    // What was migrated is read, and written by whoever migrates.
    for (const table of ['knex_migrations', 'knex_migrations_lock'])
      await tx.raw('revoke insert, update, delete on ?? from ??', [table, role]);
    // The queue shows its rows to nobody but their owner unless a policy says so.
    const { rows } = await tx.raw(
      `select c.oid::regclass::text as name from pg_class c
       where c.relnamespace = 'graphile_worker'::regnamespace and c.relrowsecurity`,
    );
    for (const { name } of rows as { name: string }[]) {
      await tx.raw(`drop policy if exists serving on ${name}`);
      await tx.raw(`create policy serving on ${name} to ?? using (true) with check (true)`, [role]);
    }
  });
}
