import { EventEmitter } from 'node:events';
import { run, type WorkerEvents } from 'graphile-worker';
import { z } from 'zod';
import { app } from '@/runtime/app';
import { mailHome, mailPort } from '@/runtime/mail';
import { makeClip } from '@/server/clips/make';
import { lookDue } from '@/server/calendar/followed';
import { currentTime } from '@/server/clock/clock';
import { showDue } from '@/server/desk/show-due';
import { sweepFiles } from '@/server/files/sweep';
import { staysAtWork } from '@/server/jobs/at-work';
import { releaseDue } from '@/server/marks/release';
import { keepRhythms } from '@/server/rhythm/keep-rhythms';
import { mailServer } from '@/server/mail-in/server';
import { isTaken, takeMailIn } from '@/server/mail-in/take';
import { loadForms } from '@/server/mail/letter-html';
import { sendMail } from '@/server/mail/send';
import { keepUp, openByClock } from '@/server/notices/keep-up';
import { push } from '@/server/notices/push';
import { remindDue } from '@/server/notices/remind';
import { KEEP_UP, REMIND } from '@/server/notices/tell';
import { LEARN_QUESTIONS, learnQuestions } from '@/server/questions/learn';
import { forgetDue } from '@/server/people/leaving';
import { sweepPeople } from '@/server/people/sweep';

/** The job process: what takes long and is nobody's request. Any number of them work on one database. */
process.umask(0o077);
// Nobody waits here for a page: a job that gives up on a busy machine is done again only after a pause.
const { db, clock, files, config, box, readers } = app({ toConnectMs: 30_000 });
const deps = async () => ({ db, files, box, readers, now: await currentTime(db, clock) });
const clip = z.object({ file: z.uuid() });
const mail = z.object({ mail: z.uuid() });
const port = mailPort(config);
const home = mailHome(config);
const sending = { home, demo: config.demo };

// While it is loaded nothing else gets a turn here, and connections that are being made would be given up.
await loadForms();

const events: WorkerEvents = new EventEmitter();
const atWork = staysAtWork(db, events);

const runner = await run({
  connectionString: config.databaseUrl,
  events,
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

/** What somebody waits to hear of: beside a clip that is made for minutes, not behind it. */
const telling = await run({
  connectionString: config.databaseUrl,
  events,
  concurrency: 4,
  pollInterval: 1_000,
  noHandleSignals: true,
  crontab: [
    '* * * * * keep-up ?jobKey=each-minute-keep-up',
    '* * * * * remind ?jobKey=each-minute-remind',
    '* * * * * learn-questions ?jobKey=each-minute-learn-questions',
    '*/5 * * * * look-at-calendars ?jobKey=look-at-calendars',
  ].join('\n'),
  taskList: {
    [KEEP_UP]: async () => keepUp(await deps()),
    [REMIND]: async () => {
      const now = await deps();
      await remindDue(now);
      await openByClock(now);
      await keepUp(now);
    },
    'look-at-calendars': async () => void (await lookDue(await deps())),
    [LEARN_QUESTIONS]: async () => void (await learnQuestions(await deps())),
    'send-mail': async (payload) => sendMail(await deps(), port, sending, mail.parse(payload).mail),
    push: async (payload) =>
      push(await deps(), { site: config.site, contact: config.mailFrom }, mail.parse(payload).mail),
  },
});

/** Answers by mail come in here, where the installation takes any. */
const incoming =
  config.mailIn &&
  mailServer({
    isTaken: (to) => isTaken(box, to),
    take: async (to, bytes) => takeMailIn(await deps(), to, bytes),
  });
incoming?.listen(config.mailIn?.port ?? 0, '127.0.0.1');

await runner.promise;
incoming?.close();
await telling.stop();
atWork.leave();
await readers.close();
