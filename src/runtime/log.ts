import pino from 'pino';

/** One line of JSON an event, on standard output, without a word that anybody wrote. */
export const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime });

const MOST_FRAMES = 12;

/** What stands between quotation marks in an error's message is what somebody sent: it is left out. */
const bare = (message: string) => message.replace(/(["'`“]).*(["'`”])/gsu, '$1…$2').slice(0, 300);

/**
 * An error as it is logged: what kind it is, where it came from, and of its message what cannot hold anybody's words. Of an error of the
 * database the constraint and the table are told, never its detail, which holds the row.
 */
export function errorForLog(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { kind: typeof error };
  const { code, constraint, table } = error as { code?: unknown; constraint?: unknown; table?: unknown };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /u.test(line));
  return {
    kind: error.name,
    message: bare(error.message.split('\n')[0] ?? ''),
    code,
    constraint,
    table,
    at: frames.slice(0, MOST_FRAMES).map((line) => line.trim()),
  };
}
