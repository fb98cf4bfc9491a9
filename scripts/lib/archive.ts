import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { cp } from 'node:fs/promises';
import { basename, dirname, join, resolve } from 'node:path';
import type { Knex } from 'knex';
import { knownMigrations } from '@/db/migrate';
import { connect } from '@/db/connection';
import { withDatabase } from './database';
import { findPostgres } from './postgres';
import { quiet } from './run';
import { Told } from './say';

/** What a backup says of itself. */
type Label = { format: 'pulpit-backup'; version: 1; made: string; migrations: string[]; files: boolean };

/** What is backed up: a database, the folder of its files, and what its secrets are sealed with, where that is asked for. */
export type Place = { url: string; files: string | null; secret: string | null };

const DUMP = 'database.dump';
const LABEL = 'backup.json';
const SECRET = 'secret';

function program(name: string): string {
  const bin = findPostgres();
  if (!bin)
    throw new Told('PostgreSQL’s programs were not found. Run: sudo apt-get install -y postgresql-client');
  return join(bin, name);
}

/** A folder of its own beside a file, gone afterwards whatever happens. */
async function beside<T>(file: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(dirname(resolve(file)), '.pulpit-backup-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const migrationsOf = async (db: Knex): Promise<string[]> => db('knex_migrations').orderBy('id').pluck('name');

/** What is stored lies under its sum and never changes, so copying once more takes only what is new. */
async function copyFiles(from: string, to: string) {
  if (existsSync(from)) await cp(from, to, { recursive: true, force: false });
}

/** Runs a program to its end; what it says where it fails is the error. */
async function ran(command: string, args: string[], env?: NodeJS.ProcessEnv) {
  const { code, said } = await quiet(command, args, env);
  if (code !== 0) throw new Error(`${basename(command)} ended with ${code}: ${said.trim()}`);
}

/** Runs one of PostgreSQL's programs on a database. The password goes by the environment: others see the arguments of a process. */
async function onDatabase(name: string, url: string, args: string[]) {
  const address = new URL(url);
  const password = decodeURIComponent(address.password);
  address.password = '';
  await ran(program(name), [...args, `--dbname=${address.href}`], { ...process.env, PGPASSWORD: password });
}

/**
 * Writes the database and the files into one archive, while people work. The database is dumped in one moment of its own; files are
 * copied before and after that, so that every one that was stored at the moment is there. The archive is whole or not there.
 */
export async function backUp(place: Place, file: string, now: Date): Promise<void> {
  const db = connect(place.url, { poolMax: 1 });
  const migrations = await migrationsOf(db).finally(() => db.destroy());
  await beside(file, async (folder) => {
    const files = join(folder, 'files');
    if (place.files) await copyFiles(place.files, files);
    await onDatabase('pg_dump', place.url, ['--format=custom', `--file=${join(folder, DUMP)}`]);
    if (place.files) await copyFiles(place.files, files);
    // What was still on its way in is nobody's yet.
    rmSync(join(files, 'incoming'), { recursive: true, force: true });
    const label: Label = {
      format: 'pulpit-backup',
      version: 1,
      made: now.toISOString(),
      migrations,
      files: place.files !== null,
    };
    writeFileSync(join(folder, LABEL), `${JSON.stringify(label, null, 2)}\n`);
    if (place.secret && existsSync(place.secret)) copyFileSync(place.secret, join(folder, SECRET));
    const part = join(folder, 'archive.tar');
    await ran('tar', [
      '-cf',
      part,
      '-C',
      folder,
      LABEL,
      DUMP,
      ...['files', SECRET].filter((name) => existsSync(join(folder, name))),
    ]);
    chmodSync(part, 0o600);
    renameSync(part, resolve(file));
  });
}

function labelOf(folder: string, file: string): Label {
  const place = join(folder, LABEL);
  const label = existsSync(place) ? (JSON.parse(readFileSync(place, 'utf8')) as Partial<Label>) : {};
  if (label.format !== 'pulpit-backup' || label.version !== 1 || !Array.isArray(label.migrations))
    throw new Told(`${basename(file)} is not a backup of Pulpit. Nothing was changed.`);
  return label as Label;
}

/**
 * Puts a backup in the place of a database and its files. It is laid out in a database beside first and takes the other's name only when
 * it is whole; a backup of a newer Pulpit is refused before anything is touched. Files that are there already stay.
 */
export async function restore(place: Place, file: string): Promise<{ made: Date }> {
  if (!existsSync(file)) throw new Told(`There is no file ${file}. Nothing was changed.`);
  return beside(file, (folder) => layOut(place, file, folder));
}

async function layOut(place: Place, file: string, folder: string) {
  const name = new URL(place.url).pathname.slice(1);
  const next = `${name}_restored`;
  const maintenance = connect(withDatabase(place.url, 'postgres'), { poolMax: 1 });
  try {
    try {
      await ran('tar', ['-xf', resolve(file), '-C', folder, '--no-same-owner']);
    } catch (cause) {
      throw new Told(`${basename(file)} is not a whole archive. Nothing was changed.`, { cause });
    }
    const label = labelOf(folder, file);
    const unknown = label.migrations.filter((m) => !knownMigrations().includes(m));
    if (unknown.length)
      throw new Told(
        `${basename(file)} was made by a newer Pulpit (it knows ${unknown.join(', ')}). Nothing was changed; restore it with that one.`,
      );
    await maintenance.raw('drop database if exists ?? with (force)', [next]);
    await maintenance.raw('create database ??', [next]);
    try {
      const dump = join(folder, DUMP);
      await onDatabase('pg_restore', withDatabase(place.url, next), ['--no-owner', '--exit-on-error', dump]);
    } catch (cause) {
      await maintenance.raw('drop database ?? with (force)', [next]);
      const why = cause instanceof Error ? cause.message : String(cause);
      throw new Told(`${basename(file)} cannot be laid out: ${why}. Nothing was changed.`, { cause });
    }
    if (place.files) await copyFiles(join(folder, 'files'), place.files);
    const secret = join(folder, SECRET);
    if (place.secret && existsSync(secret)) {
      mkdirSync(dirname(place.secret), { recursive: true });
      rmSync(place.secret, { force: true });
      copyFileSync(secret, place.secret);
      chmodSync(place.secret, 0o600);
    }
    await maintenance.raw('drop database if exists ?? with (force)', [name]);
    await maintenance.raw('alter database ?? rename to ??', [next, name]);
    return { made: new Date(label.made) };
  } finally {
    await maintenance.destroy();
  }
}
