import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { instant, personId } from '@/core/ids';
import { readerPool, type ReaderPool } from '@/server/readers/pool';
import { bundleReader } from '../../scripts/lib/build';

/* Real processes, as a web process has them. */
let pool: ReaderPool;
let script: string;
beforeAll(() => {
  script = bundleReader(join(process.cwd(), '.build', 'test-reader'));
  pool = readerPool(script, () => performance.now());
  pool.begin();
});
afterAll(() => pool.close());

/** The processes that read for this one, by number. */
const processes = () =>
  readFileSync(`/proc/${process.pid}/task/${process.pid}/children`, 'utf8')
    .trim()
    .split(' ')
    .filter((id) => id && readFileSync(`/proc/${id}/cmdline`, 'utf8').includes('reader.mjs'));

const imani = personId('imani');
const noor = personId('noor');
const day = 86_400_000;
const window = {
  from: instant(Date.UTC(2026, 9, 1)),
  to: instant(Date.UTC(2026, 9, 1) + 60 * day),
  zone: 'UTC',
};
const calendar = (rule: string) =>
  `BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART:20261001T090000Z\r\nDTEND:20261001T100000Z\r\nSUMMARY:Shift\r\n${rule}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;

it('reads as this thread would', async () => {
  const read = await pool.run(
    'calendar',
    { bytes: Buffer.from(calendar('RRULE:FREQ=WEEKLY;COUNT=3')), window, cut: false },
    imani,
  );
  expect(read.ok && read.value.busy.map((b) => b.title)).toEqual(['Shift', 'Shift', 'Shift']);
});

it('ends what takes too long, says why, and goes on for everybody else meanwhile and after', async () => {
  // Seven quotations of each letter in a text that has none: likeness is looked for at every place of it.
  const text = 'The wall held. '.repeat(24_000);
  const slow = pool.run(
    'difference',
    { first: told('a', 9_000), second: told('b', 9_000), brief: false },
    imani,
  );
  const endless = pool.run(
    'passage',
    { text, at: null, words: 'zyxwvutsrqponm lkjihgfedcba '.repeat(70) },
    imani,
  );
  const began = performance.now();
  const other = await pool.run('pasted', { text: 'A prompt of **two** words.', html: '' }, noor);
  expect(other.ok).toBe(true);
  expect(performance.now() - began).toBeLessThan(2_000);
  for (const answer of await Promise.all([slow, endless]))
    if (!answer.ok)
      expect(answer.failure).toEqual({
        code: 'not-read',
        why: expect.stringMatching(/time|memory/u) as string,
      });
  const after = await pool.run('pasted', { text: 'Still here.', html: '' }, imani);
  expect(after.ok).toBe(true);
});

it('ends what takes too much memory, and the process lives', async () => {
  const rows = Array.from({ length: 900_000 }, (_, i) => `a${i}`).join('\n\n');
  const read = await pool.run('pasted', { text: rows, html: '' }, imani);
  expect(read.ok ? 'read' : read.failure.code).toMatch(/read|not-read/u);
  expect((await pool.run('pasted', { text: 'Still here.', html: '' }, imani)).ok).toBe(true);
});

it('goes on where processes had ended while nobody asked them anything', async () => {
  // Whether one is spoken to before or after it is known to have ended is a matter of milliseconds: both come about in so many rounds.
  for (let round = 0; round < 10; round += 1) {
    const reading = processes();
    expect(reading).not.toHaveLength(0);
    for (const id of reading) process.kill(Number(id), 'SIGKILL');
    const until = performance.now() + (round % 5) * 2;
    while (performance.now() < until);
    expect((await pool.run('pasted', { text: 'Still here.', html: '' }, imani)).ok).toBe(true);
  }
});

it('is closed where processes had ended while nobody asked them anything', async () => {
  const before = new Set(processes());
  const other = readerPool(script, () => performance.now());
  expect((await other.run('pasted', { text: 'A prompt.', html: '' }, imani)).ok).toBe(true);
  const its = processes().filter((id) => !before.has(id));
  expect(its).not.toHaveLength(0);
  for (const id of its) process.kill(Number(id), 'SIGKILL');
  // This process has heard of it as soon as nothing is left of them.
  while (its.some((id) => existsSync(`/proc/${id}`))) await new Promise(setImmediate);
  await other.close();
});

it('says what was printed where no process can be started', async () => {
  const none = readerPool(join(process.cwd(), '.build', 'nowhere.mjs'), () => performance.now());
  await expect(none.run('pasted', { text: 'A prompt.', html: '' }, imani)).rejects.toThrow(/nowhere\.mjs/u);
  await none.close();
});

const told = (letter: string, n: number) => ({
  title: '',
  doc: {
    type: 'doc' as const,
    content: Array.from({ length: 300 }, (_, i) => ({
      type: 'paragraph' as const,
      content: [{ type: 'text' as const, text: `${letter}${i} `.repeat(n / 300) }],
    })),
  },
});
