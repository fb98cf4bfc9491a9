import { createInterface } from 'node:readline/promises';
import { restore } from '../lib/archive';
import { stopJobs } from '../lib/jobs';
import { runOf } from '../lib/places';
import { startCluster } from '../lib/postgres';
import { say, Told } from '../lib/say';
import { filesFolder, secretFile, stopWeb } from '../lib/web';

export const help = `./pulpit restore FILE [--yes] [--mine]

Puts a backup in the place of what is there, after asking. Pulpit is stopped for it; ./pulpit start goes on from the backup. A backup of
a newer Pulpit is refused, and a broken one changes nothing.`;

async function sure(file: string): Promise<boolean> {
  if (!process.stdin.isTTY)
    throw new Told('This replaces everything that is there. If you mean it: ./pulpit restore FILE --yes');
  const asked = createInterface({ input: process.stdin, output: process.stdout });
  const said = await asked.question(
    `Everything that is there now is replaced by ${file}. Type yes if you mean it: `,
  );
  asked.close();
  return said.trim().toLowerCase() === 'yes';
}

export async function run(args: string[]): Promise<number> {
  const file = args.find((arg) => !arg.startsWith('--'));
  if (!file) throw new Told('Say which: ./pulpit restore pulpit.tar');
  if (!args.includes('--yes') && !(await sure(file))) {
    say('Nothing was changed.');
    return 1;
  }
  const installation = runOf(args);
  const url = process.env.DATABASE_URL ?? (await startCluster(installation));
  await stopWeb(installation);
  await stopJobs(installation);
  const { made } = await restore(
    {
      url,
      files: process.env.PULPIT_S3 ? null : filesFolder(installation),
      secret: secretFile(installation),
    },
    file,
  );
  say(
    `Restored what there was on ${made.toISOString().slice(0, 16).replace('T', ' at ')} UTC. Go on with: ./pulpit start`,
  );
  return 0;
}
