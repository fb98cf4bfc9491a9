import { statSync } from 'node:fs';
import { runOf } from '../lib/places';
import { startCluster } from '../lib/postgres';
import { backUp } from '../lib/archive';
import { say, Told } from '../lib/say';
import { filesFolder, secretFile } from '../lib/web';

export const help = `./pulpit backup FILE [--with-secret] [--mine]

Writes everything (database and files) into one archive, while people work: what was shared when it began is in it, whole. With
PULPIT_S3 the files lie in an object store, which has backups of its own, and only the database is written.

What seals second factors and the key of receipts is not in it unless you add --with-secret: whoever has both can read them. Without
it a restored Pulpit signs with a new key, and people with a second factor come in by a recovery code.`;

export async function run(args: string[]): Promise<number> {
  const file = args.find((arg) => !arg.startsWith('--'));
  if (!file) throw new Told('Say where to: ./pulpit backup pulpit.tar');
  const installation = runOf(args);
  const url = process.env.DATABASE_URL ?? (await startCluster(installation));
  const files = process.env.PULPIT_S3 ? null : filesFolder(installation);
  const secret = args.includes('--with-secret') ? secretFile(installation) : null;
  await backUp({ url, files, secret }, file, new Date());
  const size = (statSync(file).size / 1_000_000).toFixed(1);
  say(`Backed up to ${file} (${size} MB${files ? '' : ', without the files of the object store'}).`);
  return 0;
}
