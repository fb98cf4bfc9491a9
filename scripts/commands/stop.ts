import { stopJobs } from '../lib/jobs';
import { stopCluster } from '../lib/postgres';
import { say } from '../lib/say';
import { stopWeb } from '../lib/web';

export const help = `./pulpit stop

Ends Pulpit's web server and its own database. Nothing is lost: ./pulpit start goes on where things stood.`;

export async function run(): Promise<number> {
  const web = await stopWeb('demo');
  await stopJobs('demo');
  const database = stopCluster('demo');
  say(web || database ? 'Pulpit is stopped. Everything is kept.' : 'Pulpit was not running.');
  return 0;
}
