import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { buildSync } from 'esbuild';
import { ROOT } from './places';
import { say, Told } from './say';

const SLOTS = ['.build/a', '.build/b'] as const;
export type Slot = (typeof SLOTS)[number];

const INPUTS = [
  'src',
  'public',
  'package.json',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];

function files(path: string): string[] {
  const full = join(ROOT, path);
  if (!existsSync(full)) return [];
  if (!statSync(full).isDirectory()) return [path];
  return readdirSync(full, { withFileTypes: true }).flatMap((e) => {
    const child = join(path, e.name);
    return e.isDirectory() ? files(child) : /\.(test\.tsx?|md)$/u.test(e.name) ? [] : [child];
  });
}

/** A fingerprint of everything the build is made of. */
export function sourceMark(): string {
  const hash = createHash('sha256');
  for (const file of INPUTS.flatMap(files).sort()) hash.update(file).update(readFileSync(join(ROOT, file)));
  return hash.digest('hex').slice(0, 20);
}

const markOf = (slot: Slot) => {
  const file = join(ROOT, slot, 'pulpit-mark');
  return existsSync(file) ? readFileSync(file, 'utf8') : '';
};

/** The entry of the processes that read what people bring, in one file: one that is made anew begins in a second. */
export function bundleReader(folder: string): string {
  const outfile = join(folder, 'reader.mjs');
  buildSync({
    absWorkingDir: ROOT,
    entryPoints: ['src/workers/reader.ts'],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
  });
  return outfile;
}

/**
 * A finished build of the present sources: one that is there already, or a new one in the folder that no running
 * server uses.
 */
export function ensureBuild(inUse: Slot | null): Slot {
  const mark = sourceMark();
  const ready = SLOTS.find((slot) => markOf(slot) === mark);
  if (ready) return ready;
  const slot = SLOTS.find((s) => s !== inUse) ?? SLOTS[0];
  say('Building (about half a minute)…');
  rmSync(join(ROOT, slot, 'pulpit-mark'), { force: true });
  // What an older build wrote about routes is of routes that may be gone: the compiler reads it in both folders.
  for (const s of SLOTS) rmSync(join(ROOT, s, 'types'), { recursive: true, force: true });
  mkdirSync(join(ROOT, slot), { recursive: true });
  const done = spawnSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PULPIT_BUILD_DIR: slot,
      NEXT_TELEMETRY_DISABLED: '1',
      DATABASE_URL: 'postgres://build-needs-no-database/none',
    },
  });
  if (done.status !== 0) {
    const log = join(ROOT, '.pulpit', 'build.log');
    mkdirSync(join(ROOT, '.pulpit'), { recursive: true });
    writeFileSync(log, `${done.stdout}\n${done.stderr}`);
    const full = /ENOSPC|no space left/iu.test(`${done.stdout}${done.stderr}`);
    throw new Told(
      full
        ? 'The disk is full: the build could not be written. Free some space and run this again.'
        : `The build failed. What it said is in ${log}.`,
    );
  }
  bundleReader(join(ROOT, slot));
  writeFileSync(join(ROOT, slot, 'pulpit-mark'), mark);
  return slot;
}
