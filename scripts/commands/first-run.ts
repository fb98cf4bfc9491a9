import { sayFirstRun } from '../lib/first-run';
import { say, Told } from '../lib/say';

export const help = `DATABASE_URL=… PULPIT_ADDRESS=… ./pulpit first-run

Prints the address that makes the first steward of an installation that is run in its own way: with a key that works once, for an hour,
and only while nobody looks after it. ./pulpit start --empty does the same by itself.`;

export async function run(): Promise<number> {
  const { DATABASE_URL: url, PULPIT_ADDRESS: site } = process.env;
  if (!url || !site)
    throw new Told('DATABASE_URL and PULPIT_ADDRESS have to be set, as for the web processes.');
  if (!(await sayFirstRun(url, site))) say('Somebody looks after this Pulpit already: ask them.');
  return 0;
}
