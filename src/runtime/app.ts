import { resolve } from 'node:path';
import type { Knex } from 'knex';
import { readPrompt } from '@/core/prompts/read-prompt';
import { connect } from '@/db/connection';
import { currentTime, type Clock } from '@/server/clock/clock';
import { folderStore } from '@/server/files/folder-store';
import { objectStore } from '@/server/files/object-store';
import type { FileStore } from '@/server/files/store';
import { sweepFiles } from '@/server/files/sweep';
import { readConfig, type Config } from './config';

/** What a running process is made of. */
export type App = { config: Config; db: Knex; clock: Clock; files: FileStore };

const HOUR_MS = 3_600_000;
/** Takes away files that nothing carries; what fails is tried again in an hour. */
async function sweep(from: App | undefined) {
  if (!from) return;
  const { db, clock, files } = from;
  try {
    await sweepFiles({ db, files, now: await currentTime(db, clock) });
  } catch (error) {
    console.error('Files that nothing carries could not be taken away:', error);
  }
}

function filesOf({ filesFolder, objectStore: objects }: Config): FileStore {
  const folder = folderStore(resolve(filesFolder));
  return objects ? objectStore(objects, folder) : folder;
}

const ANY_PROMPT =
  'Your post\n200 words and two sources by Friday, 5 pm. Reply to two classmates. Late posts lose marks.\n\n1. What?\n2. Why?\n\nReply 1 | 50 words';

const place = globalThis as typeof globalThis & { pulpit?: App };

/** The one application of this process; kept on `globalThis`, for a bundler may load this module more than once. */
export function app(): App {
  if (!place.pulpit) {
    const config = readConfig();
    place.pulpit = {
      config,
      db: connect(config.databaseUrl),
      clock: { real: () => Date.now() },
      files: filesOf(config),
    };
    setInterval(() => void sweep(place.pulpit), HOUR_MS).unref();
    // Making the grammar's expressions takes half a second, once: not while the first student waits for a prompt.
    setTimeout(() => readPrompt(ANY_PROMPT), 0);
  }
  return place.pulpit;
}
