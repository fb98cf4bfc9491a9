import { resolve } from 'node:path';
import type { Knex } from 'knex';
import { connect } from '@/db/connection';
import type { Clock } from '@/server/clock/clock';
import { listedSites, type AskedSite } from '@/server/embeds/sites';
import type { FileStore } from '@/server/files/store';
import { liveHub, type Hub } from '@/server/live/hub';
import { readerPool, type ReaderPool } from '@/server/readers/pool';
import type { SignOn } from '@/server/sign-on/port';
import { signOnBy } from '@/server/sign-on/provider';
import { standInSite } from '@/standins/media/site';
import { standInProvider, type StandInProvider } from '@/standins/sign-on/site';
import type { Box } from '@/server/secrets/box';
import { readConfig, type Config } from './config';
import { filesOf } from './files';
import { lastAnswers } from './last-answers';
import { boxFor } from './secret';

/** What a running process is made of. */
export type App = {
  config: Config;
  db: Knex;
  clock: Clock;
  files: FileStore;
  /** The media sites whose pages are shown as players. */
  sites: readonly AskedSite[];
  /** Processes that read what people bring. */
  readers: ReaderPool;
  /** The college's own sign-on, where there is one. */
  signOn: SignOn | null;
  /** The one that ships, where it is that. */
  standInSignOn: StandInProvider | null;
  /** Seals what has to be read again. */
  box: Box;
  /** Who listens to discussions through this process. */
  hub: Hub;
};

/** The sign-on by its settings. The one that ships lives at this very server, and is asked like any other. */
function signOnOf({ signOn, site }: Config): Pick<App, 'signOn' | 'standInSignOn'> {
  if (signOn !== 'stand-in') return { signOn: signOn && signOnBy(signOn), standInSignOn: null };
  const issuer = `${site}/sign-on-site`;
  return {
    signOn: signOnBy({ issuer, client: 'pulpit', secret: null, name: 'Tidewell sign-on' }),
    standInSignOn: standInProvider(issuer, () => Date.now()),
  };
}

const place = globalThis as typeof globalThis & { pulpit?: App };

/**
 * The one application of this process; kept on `globalThis`, for a bundler may load this module more than once.
 *
 * @param options.toConnectMs how long a connection to the database may take, where nobody waits for a page
 */
export function app(options: { toConnectMs?: number } = {}): App {
  if (!place.pulpit) {
    const config = readConfig();
    const db = connect(config.databaseUrl, options);
    place.pulpit = {
      config,
      db,
      clock: { real: () => Date.now() },
      files: filesOf(config),
      sites: [...(config.demo ? [standInSite] : []), ...listedSites(config.mediaSites)],
      readers: readerPool(resolve(config.buildFolder, 'reader.mjs'), () => performance.now()),
      box: boxFor(config),
      ...signOnOf(config),
      hub: liveHub(db, config.databaseUrl),
    };
    // A server that ends waits for its answers to be whole, and a stream of events never is.
    const { hub } = place.pulpit;
    const endAnswers = lastAnswers();
    for (const signal of ['SIGTERM', 'SIGINT'] as const)
      process.once(signal, () => {
        endAnswers();
        hub.stop();
      });
  }
  return place.pulpit;
}
