import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { stateFolder } from '../lib/places';
import { removeCluster } from '../lib/postgres';
import { say, Told } from '../lib/say';
import { stopJobs } from '../lib/jobs';
import { stopWeb } from '../lib/web';
import * as start from './start';

export const help = `./pulpit reset [--yes] [--empty]

Throws away everything in Pulpit's own database (all posts, drafts and files), lays the demo out afresh and starts it; with --empty
without the demo, for a college of your own.
A database named by DATABASE_URL is never touched.`;

export async function run(args: string[]): Promise<number> {
  if (process.env.DATABASE_URL) {
    throw new Told(
      'reset only works on Pulpit’s own database; DATABASE_URL names another, which was not touched.',
    );
  }
  if (!args.includes('--yes') && process.stdin.isTTY) {
    throw new Told(
      'This throws away every post and draft in Pulpit’s own database. If you mean it: ./pulpit reset --yes',
    );
  }
  await stopWeb('demo');
  await stopJobs('demo');
  removeCluster('demo');
  // A folder that somebody named is theirs.
  if (!process.env.PULPIT_FILES) rmSync(join(stateFolder('demo'), 'files'), { recursive: true, force: true });
  if (!process.env.PULPIT_MAILBOX)
    rmSync(join(stateFolder('demo'), 'mailbox'), { recursive: true, force: true });
  say('The old database is gone.');
  return start.run(args.filter((arg) => arg === '--empty'));
}
