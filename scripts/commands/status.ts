import { runOf } from '../lib/places';
import { isRunning } from '../lib/postgres';
import { say } from '../lib/say';
import { isHealthy, runningWeb } from '../lib/web';

export const help = `./pulpit status [--mine]

Says whether Pulpit's web server and its own database are running. Ends with 0 when Pulpit can be used, else with 1.`;

export async function run(args: string[] = []): Promise<number> {
  const installation = runOf(args);
  const web = runningWeb(installation);
  const healthy = web !== null && (await isHealthy(web.port));
  say(
    web
      ? healthy
        ? `Pulpit is running: http://localhost:${web.port} (process ${web.pid})`
        : `The web server runs (process ${web.pid}), but its database does not answer. Run: ./pulpit start`
      : 'Pulpit is not running. Start it with: ./pulpit start',
  );
  say(`Its own database is ${isRunning(installation) ? 'running' : 'stopped'}.`);
  return healthy ? 0 : 1;
}
