import { existsSync } from 'node:fs';

/** Of what a reading makes; twelve megabytes of a file, unpacked and read, take about a third of it. */
const MOST_OBJECTS_MB = 320;
/** Of all that a process may write to, with the bytes of files and what they unpack to. */
const MOST_DATA_MB = 768;
/** Behind whatever answers somebody, and not behind everything else on the machine: it would never have its turn there. */
const BEHIND = 5;

const NICE = '/usr/bin/nice';
const SETPRIV = '/usr/bin/setpriv';
const PRLIMIT = '/usr/bin/prlimit';

/**
 * How a process that reads is started: behind what answers people, with an end to its memory, and gone when the server is, even if
 * it reads without end just then (coreutils, util-linux). Where a machine lacks one of these the process has Node's own limit alone.
 */
export function behindAndCapped(): { execPath?: string; execArgv: string[] } {
  // Left to itself Node takes a hundredth of the one for the other, and is for ever clearing up what a reading makes and drops.
  const node = [`--max-old-space-size=${MOST_OBJECTS_MB}`, '--max-semi-space-size=16'];
  if (![NICE, SETPRIV, PRLIMIT].every((tool) => existsSync(tool))) return { execArgv: node };
  return {
    execPath: NICE,
    execArgv: [
      ...['-n', String(BEHIND), SETPRIV, '--pdeathsig', 'KILL'],
      ...[PRLIMIT, `--data=${MOST_DATA_MB * 1_000_000}`, process.execPath, ...node],
    ],
  };
}
