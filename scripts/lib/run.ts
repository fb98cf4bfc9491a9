import { spawn, spawnSync, type SpawnOptions } from 'node:child_process';

/** Runs a command to its end and gives its output; throws when it fails. */
export function output(
  command: string,
  args: string[],
  options: { cwd?: string; input?: string } = {},
): string {
  const done = spawnSync(command, args, { encoding: 'utf8', ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) {
    throw new Error(
      `${command} ${args.join(' ')} ended with ${done.status}: ${done.stderr.trim() || done.stdout.trim()}`,
    );
  }
  return done.stdout;
}

/** Runs a command with its output shown, and gives its exit code. */
export const shown = (command: string, args: string[], options: SpawnOptions = {}) =>
  new Promise<number>((resolve, reject) => {
    const child = spawn(command, args, { stdio: 'inherit', ...options });
    child.once('error', reject);
    child.once('exit', (code) => resolve(code ?? 1));
  });

/** Runs a command quietly, and gives its exit code with all it said. */
export const quiet = (command: string, args: string[], env: NodeJS.ProcessEnv = process.env) =>
  new Promise<{ code: number; said: string }>((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], env });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
    child.once('error', reject);
    child.once('close', (code) => resolve({ code: code ?? 1, said }));
  });

export const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Whether a process lives and is still the one we started: its command line must hold the mark. */
export function isOurs(pid: number, mark: string): boolean {
  const line = spawnSync('cat', [`/proc/${pid}/cmdline`], { encoding: 'utf8' });
  return line.status === 0 && line.stdout.replaceAll('\0', ' ').includes(mark);
}
