import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { findPostgres } from './postgres';
import { shown } from './run';
import { say, Told } from './say';

const CREATE_CLUSTER = '/etc/postgresql-common/createcluster.conf';

const CALENDARS = ['khal', 'calcurse'];
/** A feed reader, and what reads its memory. */
const FEEDS = ['newsboat', 'sqlite3'];
/** A mail reader, by one of its programs: the package is called otherwise. */
const MAIL = { package: 'mblaze', program: '/usr/bin/mshow' };

/**
 * What reads formats that we write, and knows nothing of us: Python's libraries by their packages, pandoc, and the readers of
 * XML and of a second word processor.
 */
const READERS = [
  'abiword',
  'libxml2-utils',
  'pandoc',
  'python3-docx',
  'python3-feedparser',
  'python3-jwcrypto',
  'python3-odf',
  'python3-recurring-ical-events',
  'python3-vobject',
];
const isInstalled = (name: string) =>
  spawnSync('dpkg-query', ['-W', '-f', '${Status}', name], { encoding: 'utf8' }).stdout.endsWith(
    ' installed',
  );

/**
 * Chromium without a window: the same engine, network and workers. The whole browser draws its own frame beside every page,
 * which doubles what a page costs and tests nothing of ours.
 */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';

/** Installs what is missing from Debian's packages when it may; otherwise says the exact line to run. */
export async function ensurePackages(wanted: {
  postgres: boolean;
  chromium: boolean;
  /** Calendar programs that the tests read our feeds with. */
  calendars?: boolean;
  /** What makes clips playable. */
  ffmpeg?: boolean;
  /** A feed reader that the tests read our feeds with. */
  feeds?: boolean;
  /** A mail reader that the tests read our mail with. */
  mail?: boolean;
  /** A word processor that the tests open our exports with. */
  office?: boolean;
  /** Readers of open formats that the tests read what we write with. */
  readers?: boolean;
}): Promise<void> {
  const missing = [
    ...(wanted.postgres && !findPostgres() ? ['postgresql'] : []),
    ...(wanted.chromium && !existsSync(CHROMIUM) ? ['chromium-headless-shell'] : []),
    ...(wanted.ffmpeg && !existsSync('/usr/bin/ffmpeg') ? ['ffmpeg'] : []),
    ...(wanted.office && !existsSync('/usr/bin/soffice') ? ['libreoffice-writer-nogui'] : []),
    ...(wanted.readers ? READERS.filter((name) => !isInstalled(name)) : []),
    ...(wanted.feeds ? FEEDS.filter((name) => !existsSync(`/usr/bin/${name}`)) : []),
    ...(wanted.mail && !existsSync(MAIL.program) ? [MAIL.package] : []),
    ...(wanted.calendars ? CALENDARS.filter((name) => !existsSync(`/usr/bin/${name}`)) : []),
  ];
  if (missing.length === 0) return;
  const line = `sudo apt-get update && sudo apt-get install -y ${missing.join(' ')}`;
  const root = process.getuid?.() === 0;
  const sudo = !root && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
  if (!existsSync('/usr/bin/apt-get') || (!root && !sudo)) {
    throw new Told(
      `Pulpit needs ${missing.join(' and ')} from Debian's packages. Please run:\n  ${line}\nand then this again.`,
    );
  }
  say(`Installing ${missing.join(' and ')} from Debian's packages…`);
  if (root && missing.includes('postgresql')) {
    // Debian starts a cluster of its own on installing; Pulpit has its own and leaves that port alone.
    mkdirSync('/etc/postgresql-common', { recursive: true });
    const before = existsSync(CREATE_CLUSTER) ? readFileSync(CREATE_CLUSTER, 'utf8') : '';
    if (!/create_main_cluster/u.test(before))
      writeFileSync(CREATE_CLUSTER, `${before}create_main_cluster = false\n`);
  }
  const apt = (args: string[]) =>
    shown(
      root ? 'apt-get' : 'sudo',
      [...(root ? [] : ['-n', 'apt-get']), '-q', '-o', 'DPkg::Lock::Timeout=300', ...args],
      {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      },
    );
  await apt(['update']);
  if ((await apt(['install', '-y', ...missing])) !== 0) {
    throw new Told(`The packages could not be installed. Please run:\n  ${line}\nand then this again.`);
  }
}
