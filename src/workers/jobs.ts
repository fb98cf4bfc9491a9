import { run } from 'graphile-worker';
import { z } from 'zod';
import { app } from '@/runtime/app';
import { makeClip } from '@/server/clips/make';
import { currentTime } from '@/server/clock/clock';
import { sweepFiles } from '@/server/files/sweep';

/** The job process: what takes long and is nobody's request. Any number of them work on one database. */
const { db, clock, files, config } = app();
const deps = async () => ({ db, files, now: await currentTime(db, clock) });
const clip = z.object({ file: z.uuid() });

const runner = await run({
  connectionString: config.databaseUrl,
  // ffmpeg takes both of a small machine's cores for one clip.
  concurrency: 1,
  pollInterval: 2_000,
  crontab: '7 * * * * sweep-files ?jobKey=sweep-files',
  taskList: {
    'make-clip': async (payload) => makeClip(await deps(), clip.parse(payload).file),
    'sweep-files': async () => void (await sweepFiles(await deps())),
  },
});
await runner.promise;
