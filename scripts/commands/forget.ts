import { createInterface } from 'node:readline/promises';
import { connect } from '@/db/connection';
import { accountByAddress } from '@/db/queries/accounts';
import { currentTime } from '@/server/clock/clock';
import { forget } from '@/server/people/leaving';
import { realClock } from '../lib/database';
import { startCluster } from '../lib/postgres';
import { say, Told } from '../lib/say';
import { ownFiles } from '../lib/files';

export const help = `./pulpit forget ADDRESS [--yes]

Erases a person for good, after asking: name, address, ways in, drafts, notes, sources, marks, files, and every text of theirs that
their classes do not read. What stands in courses stays without a name, or is withdrawn and emptied where the course says so.
Backups that were made before still hold them: keep those no longer than you said you would.`;

async function sure(name: string, email: string): Promise<boolean> {
  if (!process.stdin.isTTY)
    throw new Told(`Nobody brings ${name} (${email}) back. If you mean it, add --yes.`);
  const asked = createInterface({ input: process.stdin, output: process.stdout });
  const said = await asked.question(`${name} (${email}) is erased for good. Type yes if you mean it: `);
  asked.close();
  return said.trim().toLowerCase() === 'yes';
}

export async function run(args: string[]): Promise<number> {
  const email = args.find((arg) => !arg.startsWith('--'));
  if (!email) throw new Told('Say whom, by their mail address: ./pulpit forget somebody@college.example');
  const url = process.env.DATABASE_URL ?? (await startCluster('demo'));
  const db = connect(url, { poolMax: 2 });
  try {
    const person = await accountByAddress(db, email);
    if (!person) throw new Told(`Nobody has an account under ${email}. Nothing was changed.`);
    if (!args.includes('--yes') && !(await sure(person.name, person.email))) {
      say('Nothing was changed.');
      return 1;
    }
    const done = await forget({ db, files: ownFiles(url), now: await currentTime(db, realClock) }, person.id);
    if (!done.ok)
      throw new Told(
        done.failure.code === 'last-steward'
          ? 'This is the only steward: make another first. Nothing was changed.'
          : `Nobody has an account under ${email} any more.`,
      );
    say('Erased for good.');
    return 0;
  } finally {
    await db.destroy();
  }
}
