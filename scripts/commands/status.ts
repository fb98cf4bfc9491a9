import { isRunning } from '../lib/postgres';
import { say } from '../lib/say';
import { runningWeb } from '../lib/web';

export const help = `./pulpit status

Says whether Pulpit's web server and its own database are running. Ends with 0 when Pulpit can be used, else with 1.`;

export async function run(): Promise<number> {
  const web = runningWeb('demo');
  let healthy = false;
  if (web) {
    healthy = await fetch(`http://127.0.0.1:${web.port}/health`).then(
      (r) => r.ok,
      () => false,
    );
  }
  say(
    web
      ? healthy
        ? `Pulpit is running: http://localhost:${web.port} (process ${web.pid})`
        : `The web server runs (process ${web.pid}), but its database does not answer. Run: ./pulpit start`
      : 'Pulpit is not running. Start it with: ./pulpit start',
  );
  say(`Its own database is ${isRunning('demo') ? 'running' : 'stopped'}.`);
  return healthy ? 0 : 1;
}
