/** The environment, read once. Nothing else in `src` looks at it. */
export type Config = {
  databaseUrl: string;
  /** Where files that people add lie. */
  filesFolder: string;
  /** Demo people may sign in by one click, and the clock can be moved. */
  demo: boolean;
  /** Cookies are marked Secure where people reach Pulpit over TLS. */
  secureCookies: boolean;
  /** The bare page that the bench measures against. */
  bench: boolean;
};

export function readConfig(env: NodeJS.ProcessEnv = process.env): Config {
  const databaseUrl = env.DATABASE_URL;
  if (!databaseUrl) throw new Error('DATABASE_URL is not set: start Pulpit with ./pulpit start.');
  return {
    databaseUrl,
    filesFolder: env.PULPIT_FILES ?? '.pulpit/files',
    demo: env.PULPIT_DEMO === '1',
    secureCookies: env.PULPIT_TLS === '1',
    bench: env.PULPIT_BENCH === '1',
  };
}
