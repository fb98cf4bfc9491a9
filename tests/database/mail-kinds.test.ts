import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { simpleParser } from 'mailparser';
import { parse } from 'parse5';
import { NOTICE_KINDS, type NoticeKind } from '@/core/notices/kinds';
import { insertNotices } from '@/db/queries/notices';
import { insertAnnouncement } from '@/db/queries/announcements';
import { mailboxPort } from '@/server/mail/ports';
import { deliverDue } from '@/server/notices/deliver';
import { invite } from '@/server/people/invite';
import { begun, post } from './college';
import { deps, on, OPEN, shared, shareInput, smallCourse } from './world';

const folder = mkdtempSync(join(tmpdir(), 'pulpit-kinds-'));
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
beforeAll(async () => {
  world = await smallCourse('mail_kinds');
  db = world.db;
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true, force: true });
});

/** Something of every kind that there is, as it would have come about. */
const ABOUT: Record<NoticeKind, Record<string, string | number>> = {
  reply: {},
  name: {},
  answer: { asks: 'mark' },
  mark: { n: 1 },
  change: { what: 'more-time' },
  post: {},
  announcement: { announcement: '00000000-0000-4000-8000-00000000a001' },
  report: { post: 1 },
  request: { asks: 'time' },
  deadline: { of: 'replies', due: on('Tue 14:00'), replies: 3, minutes: 20, step: 'choose' },
  draft: {},
  mail: { why: '550 no such user' },
};

it('every kind of mail is read by a mail reader and by another’s parser: both say the same, whatever is in it', async () => {
  const { imani, noor, holt } = world.people;
  const steward = await begun(db);
  await db('people').where({ id: noor.id }).update({ name: 'Zoë <b>Ångström</b> & “Co” 語' });
  const mine = await shared(db, imani, OPEN, 'Tue 08:00', shareInput('a response of mine'));
  const theirs = await shared(db, noor, OPEN, 'Tue 08:30', {
    ...shareInput('<script>alert(1)</script> & “words” 語 '.repeat(20)),
    kind: 'reply',
    parent: mine.post,
  });
  await db('notices').delete();
  await insertAnnouncement(db, {
    course: world.course,
    id: String(ABOUT.announcement.announcement),
    author: holt.id,
    title: 'Field photos <are> up',
    body: 'Look at them.\n\nThen write.',
    postedAt: on('Tue 08:00'),
  });
  for (const kind of NOTICE_KINDS)
    await insertNotices(
      db,
      [
        {
          person: imani.id,
          course: world.course,
          kind,
          key: `every ${kind}`,
          topic: `every ${kind}`,
          discussion: kind === 'announcement' ? null : world.discussion.open,
          post: kind === 'reply' || kind === 'name' ? theirs.post : null,
          by: noor.id,
          about: ABOUT[kind],
          way: 'once',
          due: on('Tue 09:00'),
        },
      ],
      on('Tue 09:00'),
    );
  await db('notices')
    .where({ kind: 'post' })
    .update({ waiting: [theirs.post], posts: 1 });
  // One by one, so that each is a mail of its own, and then all together.
  const ids: number[] = await db('notices').orderBy('id').pluck('id');
  const sent = [];
  for (const id of ids) {
    await db('notices').whereNot({ id }).update({ due_at: null });
    await db('notices')
      .where({ id })
      .update({ due_at: new Date(on('Tue 09:00')) });
    await deliverDue({ db, now: on('Tue 09:01') });
    sent.push(...(await post(db, on('Tue 09:01'))));
    await db('notices').where({ id }).update({ mail_id: null });
  }
  await db('notices').update({ due_at: new Date(on('Tue 09:00')), mail_id: null });
  await deliverDue({ db, now: on('Tue 09:02') });
  await invite(deps(db, 'Tue 09:02'), steward, {
    name: 'Ada',
    email: 'ada@x.example',
    as: { course: world.course, role: 'student' },
  });
  sent.push(...(await post(db, on('Tue 09:03'))));
  expect(sent.length).toBe(NOTICE_KINDS.length + 3);

  const port = mailboxPort(folder, 'Tidewell Open College <pulpit@tidewell.example>');
  for (const mail of sent) {
    await port.send(mail);
    const file = join(folder, `${mail.id}.eml`);
    const read = await simpleParser(readFileSync(file));
    expect(read.subject).toBe(mail.subject);
    expect(read.text?.trim()).toBe(mail.text.trim());
    const shown = execFileSync('mshow', ['-q', '-h', 'subject', file], { encoding: 'utf8' });
    expect(shown.trim()).toBe(`Subject: ${mail.subject}`);
    expect(execFileSync('mshow', ['-n', file], { encoding: 'utf8' })).toContain('Hello');
    const html = String(read.html);
    expect(html).not.toMatch(
      /<script|\son\w+=|<b>Ång|https?:\/\/(?!pulpit\.tidewell\.example|www\.w3\.org|schemas?\.)/iu,
    );
    expect(html).not.toMatch(/[\uE000\uE001]|undefined|null|NaN/u);
    // What stands in the text stands in the HTML.
    const words = JSON.stringify(parse(html), (k, v) => (k === 'parentNode' ? undefined : v));
    expect(words).toContain(mail.text.split('\n')[0]?.replace(/"/gu, '\\"') ?? '');
  }
});
