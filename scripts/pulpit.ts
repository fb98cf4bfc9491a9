import * as backup from './commands/backup';
import * as bench from './commands/bench';
import * as build from './commands/build';
import * as classmates from './commands/classmates';
import * as firstRun from './commands/first-run';
import * as forget from './commands/forget';
import * as migrate from './commands/migrate';
import * as newKey from './commands/new-key';
import * as reset from './commands/reset';
import * as restore from './commands/restore';
import * as start from './commands/start';
import * as status from './commands/status';
import * as stop from './commands/stop';
import * as test from './commands/test';
import { inWords } from './lib/say';

type Command = { help: string; run: (args: string[]) => Promise<number> };
const COMMANDS: Record<string, Command> = {
  start,
  stop,
  status,
  reset,
  test,
  bench,
  classmates,
  build,
  migrate,
  'first-run': { help: firstRun.help, run: firstRun.run },
  backup,
  restore,
  forget,
  'new-key': { help: newKey.help, run: newKey.run },
};

const usage = `Pulpit: weekly course discussions, with what is owed, by when, what counted and why.

  ./pulpit start     set up what is missing, start, print the address; --empty for a college of your own, --mine for oneself
  ./pulpit stop      end it; everything is kept
  ./pulpit status    is it running?
  ./pulpit reset     throw the demo away and lay it out afresh
  ./pulpit test      all checks and tests, with a database and port of their own
  ./pulpit bench     measure the pages against a bare one
  ./pulpit build     builds the application, for one's own way of running it
  ./pulpit migrate   brings a database of one's own up to this version
  ./pulpit first-run   the address that makes the first steward of an installation of one's own
  ./pulpit backup FILE   everything into one archive, while people work
  ./pulpit restore FILE  puts it back, after asking
  ./pulpit forget ADDRESS  erases a person for good, after asking
  ./pulpit classmates  let the rest of the class act, to watch a live discussion
  ./pulpit new-key   sign receipts with a new key from now on

./pulpit COMMAND --help says more.`;

async function main([name = '', ...args]: string[]): Promise<number> {
  const command = COMMANDS[name];
  if (!command) {
    console.log(usage);
    return name === '' || ['-h', '--help', 'help'].includes(name) ? 0 : 2;
  }
  if (args.includes('--help') || args.includes('-h')) {
    console.log(command.help);
    return 0;
  }
  return command.run(args);
}

main(process.argv.slice(2)).then(
  (code) => process.exit(code),
  (error: unknown) => {
    const told = inWords(error);
    console.error(told || error);
    process.exit(1);
  },
);
