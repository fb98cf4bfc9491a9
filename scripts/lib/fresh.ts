import { cpSync } from 'node:fs';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { stateFolder, type Run } from './places';
import { filesFolder } from './web';

/*
 * A copy of the demo world as it was laid out, in a schema beside it, so that a test file can begin anew in a moment. What
 * triggers keep is copied with the rest, so no trigger may run while it is put back.
 */

type Table = { name: string; columns: string };

/** Every table of ours with its columns; generated ones make themselves. */
async function tables(db: Knex): Promise<Table[]> {
  const { rows } = await db.raw(`
    select table_name as name, string_agg(quote_ident(column_name), ', ' order by ordinal_position) as columns
    from information_schema.columns c
    where table_schema = 'public' and is_generated = 'NEVER' and table_name not like 'knex%'
      and exists (select 1 from information_schema.tables t
        where t.table_schema = c.table_schema and t.table_name = c.table_name and t.table_type = 'BASE TABLE')
    group by table_name`);
  return rows;
}

export async function keepFresh(db: Knex) {
  await db.raw('create schema fresh');
  for (const { name, columns } of await tables(db)) {
    await db.raw(`create table fresh.${name} as select ${columns} from public.${name}`);
  }
}

const DEADLOCK = '40P01';
const MOST_TRIES = 5;

/** Puts the world back. The job process may be at work in it: who loses a deadlock to it begins again. */
export async function putBackFresh(db: Knex) {
  for (let tries = 1; ; tries += 1) {
    try {
      await putBack(db);
      return;
    } catch (error) {
      const { code } = error as { code?: string };
      if (code !== DEADLOCK || tries === MOST_TRIES) throw error;
    }
  }
}

async function putBack(db: Knex) {
  const all = await tables(db);
  await db.transaction(async (tx) => {
    await tx.raw('set local session_replication_role = replica');
    await tx.raw(`truncate ${all.map((t) => `public.${t.name}`).join(', ')} restart identity cascade`);
    for (const { name, columns } of all) {
      await tx.raw(
        `insert into public.${name} (${columns}) overriding system value select ${columns} from fresh.${name}`,
      );
    }
    const { rows: counted } = await tx.raw(`
      select quote_ident(table_name) as name, quote_ident(column_name) as column from information_schema.columns
      where table_schema = 'public' and is_identity = 'YES'`);
    for (const { name, column } of counted)
      await tx.raw(
        `select setval(pg_get_serial_sequence('${name}', '${column}'), max(${column})) from ${name} having max(${column}) is not null`,
      );
  });
}

/** Where the files of the demo world lie as they were laid out. */
export const freshFiles = () => join(stateFolder('test'), 'fresh-files');

/** Puts back those that somebody has taken away since. */
export const putBackFiles = (run: Run) =>
  cpSync(freshFiles(), filesFolder(run), { recursive: true, force: false });
