import { connect } from '@/db/connection';
import { grantServing } from '@/db/grants';
import { migrate, migrationState } from '@/db/migrate';
import { checkUrl } from '../lib/database';
import { say, Told } from '../lib/say';

export const help = `DATABASE_URL=… ./pulpit migrate [--expand] [--serving ROLE]

Brings a database of your own up to this version, as the role that owns its tables.

  --expand        only adds: a version before this one goes on serving beside it. Run it again without, once nothing
                  of that version runs any more
  --serving ROLE  lets this role (and what comes as it: web and job processes) read and write rows, and no more`;

export async function run(args: string[]): Promise<number> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Told('DATABASE_URL is not set: the address of the database, as its owner has it.');
  checkUrl(url);
  const at = args.indexOf('--serving');
  const role = at < 0 ? null : (args[at + 1] ?? '');
  if (role === '') throw new Told('Say which role: ./pulpit migrate --serving pulpit_web');
  const db = connect(url, { poolMax: 2 });
  try {
    const state = await migrationState(db);
    if (state.code === 'newer')
      throw new Told(
        `The database was set up by a newer Pulpit (it knows ${state.unknown.join(', ')}). Nothing was changed.`,
      );
    const made = await migrate(db, { finish: !args.includes('--expand') });
    if (role !== null) await grantServing(db, role);
    const after = await migrationState(db);
    say(made.length ? `Done: ${made.join(', ')}.` : 'Nothing was to be done.');
    if (after.code === 'unfinished')
      say(`Waiting until nothing of the version before runs: ${after.missing.join(', ')}.`);
    return 0;
  } finally {
    await db.destroy();
  }
}
