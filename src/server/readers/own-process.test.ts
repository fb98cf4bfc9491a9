import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { behindAndCapped } from './own-process';

const { execPath = process.execPath, execArgv } = behindAndCapped();

test('a process that reads has an end to the bytes it may hold, and not to its objects alone', () => {
  const held = spawnSync(execPath, [
    ...execArgv,
    '-e',
    `const held = [];
     try { for (let i = 0; i < 100; i += 1) held.push(Buffer.alloc(20_000_000, 1)); }
     catch (error) { console.log(error.name, held.length * 20); }`,
  ]);
  const [name, megabytes] = String(held.stdout).trim().split(' ');
  expect(name).toBe('RangeError');
  expect(Number(megabytes)).toBeGreaterThan(500);
  expect(Number(megabytes)).toBeLessThan(800);
});

test('it stands behind what answers people', () => {
  const own = spawnSync(execPath, [...execArgv, '-p', 'os.getPriority()']);
  expect(Number(String(own.stdout))).toBeGreaterThan(0);
});

test('one that reads without end is gone when its server is killed', async () => {
  const endless = JSON.stringify([...execArgv, '-e', 'console.log(process.pid); for (;;);']);
  const server = spawn(
    process.execPath,
    ['-e', `require('child_process').spawn(${JSON.stringify(execPath)}, ${endless}, { stdio: 'inherit' })`],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const [said] = (await once(server.stdout, 'data')) as [Buffer];
  const reading = Number(String(said));
  expect(process.kill(reading, 0)).toBe(true);
  // The pipe closes when the last of those who hold it is gone: the server and what it started. That
  // the server ended is told apart from it, before or after.
  const gone = once(server.stdout, 'close');
  const ended = once(server, 'exit');
  server.kill('SIGKILL');
  await gone;
  expect(await ended).toEqual([null, 'SIGKILL']);
});
