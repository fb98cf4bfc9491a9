import { stopJobs } from '../lib/jobs';
import { runOf } from '../lib/places';
import { stopCluster } from '../lib/postgres';
import { say } from '../lib/say';
import { stopWeb } from '../lib/web';

export const help = `./pulpit stop [--mine]

Ends Pulpit's web server and its own database. Nothing is lost: ./pulpit start goes on where things stood.`;

export async function run(args: string[] = []): Promise<number> {
  const installation = runOf(args);
  const web = await stopWeb(installation);
  await stopJobs(installation);
  const database = stopCluster(installation);
  say(web || database ? 'Pulpit is stopped. Everything is kept.' : 'Pulpit was not running.');
  return 0;
}
