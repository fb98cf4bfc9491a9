import { connect } from '@/db/connection';
import { ensureBuild, sourceMark } from '../lib/build';
import { askedTime, checkUrl, createDatabase, prepareDemo, prepareSchema } from '../lib/database';
import { ensurePackages } from '../lib/debian';
import { runningJobs, startJobs, stopJobs } from '../lib/jobs';
import { PORTS } from '../lib/places';
import { isFree } from '../lib/ports';
import { startCluster } from '../lib/postgres';
import { say, Told } from '../lib/say';
import { isHealthy, runningWeb, startWeb, stopWeb } from '../lib/web';

export const help = `./pulpit start

Sets up what is missing (Debian's PostgreSQL and ffmpeg, a private database cluster, the tables, the demo, the build), starts
Pulpit on this machine and prints its address. Running it again is safe and quick.

  PULPIT_PORT=4170     the port of the web server
  PULPIT_NOW=TIME      the time the demo's clock shows, for example 2026-10-13T16:42:00+01:00; it runs on from there
  PULPIT_DEMO=0        without the demo world and its one-click sign-in
  PULPIT_FILES=FOLDER  where the files people add are kept
  PULPIT_S3=ENDPOINT   keeps them in an S3-compatible store, with PULPIT_S3_BUCKET, _KEY, _SECRET and _REGION
  PULPIT_TLS=1         people reach Pulpit over TLS: cookies are marked Secure
  DATABASE_URL=…       use this PostgreSQL database instead of a cluster of Pulpit's own`;

export function webPort(): number {
  const port = Number(process.env.PULPIT_PORT ?? PORTS.demo.web);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new Told(`PULPIT_PORT is "${process.env.PULPIT_PORT}", which is not a port (1 to 65535).`);
  }
  return port;
}

export async function run(): Promise<number> {
  const now = askedTime(process.env.PULPIT_NOW);
  const port = webPort();
  const demo = process.env.PULPIT_DEMO !== '0';
  const given = process.env.DATABASE_URL;
  if (given) checkUrl(given);

  const running = runningWeb('demo');
  const mark = sourceMark();
  const unchanged = running && running.mark === mark && running.port === port;
  if (unchanged && !now && (await isHealthy(port))) {
    say(`Pulpit is already running: http://localhost:${port}`);
    return 0;
  }
  if (running?.port !== port && !(await isFree(port))) {
    throw new Told(
      `Port ${port} is in use by another program. Choose another: PULPIT_PORT=${port + 1} ./pulpit start`,
    );
  }

  await ensurePackages({ postgres: !given, chromium: false, ffmpeg: true });
  const url = given ?? (await startCluster('demo'));
  if (!given) await createDatabase(url, 'pulpit');
  const db = connect(url, { poolMax: 4 });
  try {
    await prepareSchema(db);
    if (demo) await prepareDemo(db, now);
  } finally {
    await db.destroy();
  }
  if (unchanged) {
    if (runningJobs('demo') === null) startJobs('demo', { DATABASE_URL: url, PULPIT_DEMO: demo ? '1' : '0' });
    say(`Pulpit is running: http://localhost:${port}`);
    return 0;
  }
  const slot = ensureBuild(running?.slot ?? null);
  await stopWeb('demo');
  await stopJobs('demo');
  const env = { DATABASE_URL: url, PULPIT_DEMO: demo ? '1' : '0' };
  startJobs('demo', env);
  await startWeb('demo', { port, slot, mark, env });
  say(`Pulpit is running: http://localhost:${port}`);
  return 0;
}
