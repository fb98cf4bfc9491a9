import { z } from 'zod';
import { siteList } from '@/server/embeds/sites';
import type { ObjectStoreConfig } from '@/server/files/object-store';

/** The environment, read once. Nothing else in `src` looks at it. */
export type Config = {
  databaseUrl: string;
  /** What was built of this application. */
  buildFolder: string;
  /** Where files that people add lie. */
  filesFolder: string;
  /** An S3-compatible store where they lie instead, once they are all here. */
  objectStore: ObjectStoreConfig | null;
  /** The college's list of media sites. */
  mediaSites: z.infer<typeof siteList>;
  /** Demo people may sign in by one click, and the clock can be moved. */
  demo: boolean;
  /** Cookies are marked Secure where people reach Pulpit over TLS. */
  secureCookies: boolean;
  /** How many proxies of one's own stand before this server: so much of X-Forwarded-For is believed. */
  proxies: number;
  /** The bare page that the bench measures against. */
  bench: boolean;
};

function objectStoreOf(env: NodeJS.ProcessEnv): ObjectStoreConfig | null {
  const endpoint = env.PULPIT_S3;
  if (!endpoint) return null;
  const { PULPIT_S3_BUCKET: bucket, PULPIT_S3_KEY: key, PULPIT_S3_SECRET: secret } = env;
  if (!bucket || !key || !secret)
    throw new Error(
      'PULPIT_S3 names an object store, so PULPIT_S3_BUCKET, PULPIT_S3_KEY and PULPIT_S3_SECRET must be set too.',
    );
  return { endpoint, bucket, key, secret, region: env.PULPIT_S3_REGION ?? 'us-east-1' };
}

function mediaSitesOf(text: string | undefined): Config['mediaSites'] {
  if (!text) return [];
  const read = siteList.safeParse(JSON.parse(text));
  if (read.success) return read.data;
  throw new Error(`PULPIT_MEDIA_SITES is not a list of media sites: ${z.prettifyError(read.error)}`);
}

export function readConfig(env: NodeJS.ProcessEnv = process.env): Config {
  const databaseUrl = env.DATABASE_URL;
  if (!databaseUrl) throw new Error('DATABASE_URL is not set: start Pulpit with ./pulpit start.');
  return {
    databaseUrl,
    buildFolder: env.PULPIT_BUILD_DIR ?? '.build/a',
    filesFolder: env.PULPIT_FILES ?? '.pulpit/files',
    objectStore: objectStoreOf(env),
    mediaSites: mediaSitesOf(env.PULPIT_MEDIA_SITES),
    demo: env.PULPIT_DEMO === '1',
    secureCookies: env.PULPIT_TLS === '1',
    proxies: z.coerce
      .number()
      .int()
      .min(0)
      .max(9)
      .catch(0)
      .parse(env.PULPIT_PROXIES ?? 0),
    bench: env.PULPIT_BENCH === '1',
  };
}
