import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Calendar programs of Debian's that know nothing of Pulpit, in a folder of their own. */

function inFolder<T>(work: (folder: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'pulpit-calendars-'));
  try {
    return work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function run(program: string, args: string[], env: Record<string, string>, input?: string): string {
  const done = spawnSync(program, args, {
    encoding: 'utf8',
    input,
    env: { ...process.env, LC_ALL: 'C.UTF-8', ...env },
    timeout: 30_000,
  });
  if (done.status !== 0)
    throw new Error(`${program} ${args.join(' ')}: ${done.stderr || done.stdout || done.error}`);
  return done.stdout;
}

export type ReadEvent = { start: string; end: string; title: string; uid: string; description: string };

/** What khal reads in a calendar, told in a zone, over October and November 2026. */
export const readByKhal = (ics: string, zone: string): ReadEvent[] =>
  inFolder((folder) => {
    mkdirSync(join(folder, 'calendar'));
    const config = join(folder, 'config');
    const time = ['timeformat = %H:%M', 'dateformat = %Y-%m-%d', 'longdateformat = %Y-%m-%d'];
    const datetime = ['datetimeformat = %Y-%m-%d %H:%M', 'longdatetimeformat = %Y-%m-%d %H:%M'];
    writeFileSync(
      config,
      [
        '[calendars]',
        '[[pulpit]]',
        `path = ${join(folder, 'calendar')}`,
        '[locale]',
        ...time,
        ...datetime,
        `local_timezone = ${zone}`,
        `default_timezone = ${zone}`,
        '[default]',
        'default_calendar = pulpit',
        '[sqlite]',
        `path = ${join(folder, 'khal.db')}`,
      ].join('\n'),
    );
    const file = join(folder, 'feed.ics');
    writeFileSync(file, ics);
    run('khal', ['-c', config, 'import', '--batch', file], {});
    const format = '<<{start}|{end}|{uid}|{title}|{description}>>';
    const text = run(
      'khal',
      ['-c', config, 'list', '--once', '--day-format', '', '--format', format, '2026-10-01', '61d'],
      {},
    );
    return [...text.matchAll(/<<([^|]*)\|([^|]*)\|([^|]*)\|([^|]*)\|([\s\S]*?)>>/gu)].map((m) => ({
      start: (m[1] ?? '').trim(),
      end: (m[2] ?? '').trim(),
      uid: (m[3] ?? '').trim(),
      title: (m[4] ?? '').trim(),
      description: m[5] ?? '',
    }));
  });

/** What calcurse reads in a calendar, told in a zone. */
export const readByCalcurse = (ics: string, zone: string): Pick<ReadEvent, 'start' | 'end' | 'title'>[] =>
  inFolder((folder) => {
    const file = join(folder, 'feed.ics');
    writeFileSync(file, ics);
    const env = { TZ: zone };
    const at = ['-D', join(folder, 'data'), '-C', join(folder, 'config')];
    run('calcurse', [...at, '-i', file], env);
    const format = '<<%(start:%Y-%m-%d %H:%M)|%(end:%Y-%m-%d %H:%M)|%m>>\n';
    const text = run(
      'calcurse',
      [
        ...at,
        '-Q',
        '--from',
        '10/01/2026',
        '--days',
        '61',
        '--format-apt',
        format,
        '--format-recur-apt',
        format,
      ],
      env,
    );
    const seen = [...text.matchAll(/<<([^|]*)\|([^|]*)\|([^>]*)>>/gu)].map((m) => ({
      start: m[1] ?? '',
      end: m[2] ?? '',
      title: m[3] ?? '',
    }));
    return seen;
  });
