import { mkdir, statfs } from 'node:fs/promises';
import type { Knex } from 'knex';
import { migrationState } from '@/db/migrate';
import { oldestJob } from '@/db/queries/jobs';

/** With less room than this on the disk of the files, what people add may soon be refused. */
const LEAST_ROOM_BYTES = 200_000_000;
/** A job that has waited so long is one that nobody works on. */
const LONGEST_WAIT_MS = 10 * 60_000;

type Found = 'well' | 'not-well';
export type Readiness = { ready: boolean; database: Found; tables: Found; jobs: Found; disk: Found };

const whether = (well: boolean): Found => (well ? 'well' : 'not-well');

async function roomIn(folder: string): Promise<number> {
  await mkdir(folder, { recursive: true });
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

/**
 * What people need of an installation: the database, its tables as this code has them, a job process that works, and room for files.
 * Jobs that wait make nobody unready: pages go on without them.
 */
export async function readiness(db: Knex, files: string): Promise<Readiness> {
  const room = await roomIn(files).catch(() => 0);
  const disk = whether(room > LEAST_ROOM_BYTES);
  try {
    const [state, waited] = await Promise.all([migrationState(db), oldestJob(db)]);
    // While one version follows another both serve, until the older is ended and what only it needs is taken away.
    const tables = whether(
      state.code === 'current' || state.code === 'unfinished' || (state.code === 'newer' && !state.finished),
    );
    return {
      ready: tables === 'well' && disk === 'well',
      database: 'well',
      tables,
      jobs: whether(waited < LONGEST_WAIT_MS),
      disk,
    };
  } catch {
    return { ready: false, database: 'not-well', tables: 'not-well', jobs: 'not-well', disk };
  }
}
