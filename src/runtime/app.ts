import type { Knex } from 'knex';
import { connect } from '@/db/connection';
import type { Clock } from '@/server/clock/clock';
import { readConfig, type Config } from './config';

/** What a running process is made of. */
export type App = { config: Config; db: Knex; clock: Clock };

const place = globalThis as typeof globalThis & { pulpit?: App };

/** The one application of this process; kept on `globalThis`, for a bundler may load this module more than once. */
export function app(): App {
  if (!place.pulpit) {
    const config = readConfig();
    place.pulpit = { config, db: connect(config.databaseUrl), clock: { real: () => Date.now() } };
  }
  return place.pulpit;
}
