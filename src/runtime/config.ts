import { z } from 'zod';
import { siteList } from '@/server/embeds/sites';
import { OVER_TLS } from './tls';
import type { SignOnConfig } from '@/server/sign-on/provider';
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
  /** An installation for one person on their own machine: a browser there needs no signing in. */
  mine: boolean;
  /** Cookies are marked Secure where people reach Pulpit over TLS. */
  secureCookies: boolean;
  /** How many proxies of one's own stand before this server: so much of X-Forwarded-For is believed. */
  proxies: number;
  /** The address under which people reach Pulpit, as links in mail say it. */
  site: string;
  /** The time zone of the machine, which a new college is offered first. */
  zone: string;
  /** A server that mail is handed to by SMTP; without one it lies in the mailbox that ships. */
  smtp: string | null;
  mailFrom: string;
  mailboxFolder: string;
  /** Push services that notices may be handed to: hosts over TLS, or whole origins. */
  pushServices: readonly string[];
  /** Where answers by mail come in: a port of this machine, and the domain that is written behind the @. */
  mailIn: { port: number; domain: string } | null;
  /** The college's own sign-on; `stand-in` is the one that ships, for the demo and for trying. */
  signOn: SignOnConfig | 'stand-in' | null;
  /** What seals the keys and secrets in the database, in base64; without it, what lies in the file. */
  secret: string | null;
  secretFile: string;
  /** A port of this machine where Prometheus finds what is counted; none where it is not set. */
  metricsPort: number | null;
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

const STAND_IN = 'stand-in';

function signOnOf(env: NodeJS.ProcessEnv): Config['signOn'] {
  const issuer = env.PULPIT_SIGN_ON ?? (env.PULPIT_DEMO === '1' ? STAND_IN : '');
  if (issuer === '') return null;
  if (issuer === STAND_IN) return STAND_IN;
  if (!URL.canParse(issuer)) throw new Error('PULPIT_SIGN_ON is not the address of an issuer.');
  const client = env.PULPIT_SIGN_ON_CLIENT;
  if (!client) throw new Error('PULPIT_SIGN_ON names an issuer, so PULPIT_SIGN_ON_CLIENT must be set too.');
  return {
    issuer,
    client,
    secret: env.PULPIT_SIGN_ON_SECRET || null,
    name: env.PULPIT_SIGN_ON_NAME ?? new URL(issuer).hostname,
  };
}

/** The push services of the browsers that there are. */
const USUAL_PUSH =
  'fcm.googleapis.com,push.services.mozilla.com,notify.windows.com,web.push.apple.com,push.apple.com';

function mailInOf(env: NodeJS.ProcessEnv): Config['mailIn'] {
  if (!env.PULPIT_MAIL_IN) return null;
  const port = Number(env.PULPIT_MAIL_IN);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Error('PULPIT_MAIL_IN is the number of a port of this machine.');
  const from = /@([^\s>]+)/u.exec(env.PULPIT_MAIL_FROM ?? '')?.[1] ?? 'localhost';
  return { port, domain: env.PULPIT_MAIL_DOMAIN ?? from };
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
    mine: env.PULPIT_MINE === '1',
    secureCookies: OVER_TLS,
    proxies: z.coerce
      .number()
      .int()
      .min(0)
      .max(9)
      .catch(0)
      .parse(env.PULPIT_PROXIES ?? 0),
    site: (env.PULPIT_ADDRESS ?? 'http://localhost:4170').replace(/\/+$/u, ''),
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    smtp: env.PULPIT_SMTP || null,
    mailFrom: env.PULPIT_MAIL_FROM ?? 'Pulpit <pulpit@localhost>',
    mailboxFolder: env.PULPIT_MAILBOX ?? '.pulpit/mailbox',
    pushServices: (env.PULPIT_PUSH_SERVICES ?? USUAL_PUSH)
      .split(',')
      .map((s) => s.trim())
      .filter(Boolean),
    mailIn: mailInOf(env),
    signOn: signOnOf(env),
    secret: env.PULPIT_SECRET || null,
    secretFile: env.PULPIT_SECRET_FILE ?? '.pulpit/secret',
    metricsPort: z.coerce
      .number()
      .int()
      .min(1)
      .max(65_535)
      .nullable()
      .catch(null)
      .parse(env.PULPIT_METRICS ?? null),
    bench: env.PULPIT_BENCH === '1',
  };
}
