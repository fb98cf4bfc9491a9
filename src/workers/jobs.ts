import { run } from 'graphile-worker';
import { z } from 'zod';
import { app } from '@/runtime/app';
import { mailPort } from '@/runtime/mail';
import { makeClip } from '@/server/clips/make';
import { currentTime } from '@/server/clock/clock';
import { showDue } from '@/server/desk/show-due';
import { sweepFiles } from '@/server/files/sweep';
import { releaseDue } from '@/server/marks/release';
import { keepRhythms } from '@/server/rhythm/keep-rhythms';
import { sendMail } from '@/server/mail/send';
import { forgetDue } from '@/server/people/leaving';
import { sweepPeople } from '@/server/people/sweep';

/** The job process: what takes long and is nobody's request. Any number of them work on one database. */
process.umask(0o077);
const { db, clock, files, config } = app();
const deps = async () => ({ db, files, now: await currentTime(db, clock) });
const clip = z.object({ file: z.uuid() });
const mail = z.object({ mail: z.uuid() });
const port = mailPort(config);

const runner = await run({
  connectionString: config.databaseUrl,
  // ffmpeg takes both of a small machine's cores for one clip.
  concurrency: 1,
  pollInterval: 2_000,
  crontab: [
    '7 * * * * sweep-files ?jobKey=sweep-files',
    '17 * * * * sweep-people ?jobKey=sweep-people',
    '* * * * * show-due ?jobKey=show-due',
    '* * * * * release-due ?jobKey=release-due',
    '27 * * * * keep-rhythms ?jobKey=keep-rhythms',
  ].join('\n'),
  taskList: {
    'make-clip': async (payload) => makeClip(await deps(), clip.parse(payload).file),
    'send-mail': async (payload) => sendMail(await deps(), port, config, mail.parse(payload).mail),
    'sweep-people': async () => {
      await sweepPeople(await deps());
      await forgetDue(await deps());
    },
    'show-due': async () => void (await showDue(await deps())),
    'release-due': async () => void (await releaseDue(await deps())),
    'keep-rhythms': async () => void (await keepRhythms(await deps())),
    'sweep-files': async () => void (await sweepFiles(await deps())),
  },
});
await runner.promise;
