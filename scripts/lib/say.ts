/** A failure that is told to the person at the terminal in one sentence or two, without a stack trace. */
export class Told extends Error {}

export const say = (text: string) => console.log(text);

/** Words for the errors of the machine and the database that people can do something about. */
export function inWords(error: unknown): string {
  if (error instanceof Told) return error.message;
  const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
  const message = error instanceof Error ? error.message : String(error);
  switch (code) {
    case 'ENOSPC':
      return 'The disk is full. Nothing was lost; free some space and run this again.';
    case '53100':
      return 'The database’s disk is full. What was shared is safe; free some space and run this again.';
    case 'ECONNREFUSED':
    case 'ENOTFOUND':
    case 'EAI_AGAIN':
    case 'ETIMEDOUT':
      return `The database does not answer (${message.split('\n')[0]}). Check DATABASE_URL, or leave it unset to use Pulpit's own.`;
    case '28P01':
    case '28000':
      return 'The database refused the user name or password. Check DATABASE_URL, or leave it unset to use Pulpit’s own.';
    case '3D000':
      return 'The database named in DATABASE_URL does not exist. Create it, or leave DATABASE_URL unset to use Pulpit’s own.';
    case '57P03':
      return 'The database is still starting up. Wait a moment and run this again.';
    case '42501':
      return 'The database user in DATABASE_URL may not create tables. Give it that right, then run this again.';
    default:
      return '';
  }
}
