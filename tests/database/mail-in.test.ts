import { connect, type Socket } from 'node:net';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AddressInfo } from 'node:net';
import type { Knex } from 'knex';
import nodemailer from 'nodemailer';
import { instant } from '@/core/ids';
import { plainText } from '@/core/document/flatten';
import { folderStore } from '@/server/files/folder-store';
import { mailServer } from '@/server/mail-in/server';
import { isTaken, takeMailIn } from '@/server/mail-in/take';
import { keptUp } from './notices';
import { keepDraft } from '@/server/drafts/keep';
import { noticesPage } from '@/server/notices/page';
import type { Actor } from '@/server/deps';
import { box, deps, on, OPEN, shared, shareInput, smallCourse, text } from './world';
import { randomUUID } from 'node:crypto';

const folder = mkdtempSync(join(tmpdir(), 'pulpit-mail-in-'));
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let now = on('Tue 11:00');
let port = 0;
const server = mailServer({
  isTaken: (to) => isTaken(box, to),
  take: (to, bytes) => takeMailIn({ db, now, box, files: folderStore(folder) }, to, bytes),
});
beforeAll(async () => {
  world = await smallCourse('mail_in');
  db = world.db;
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  port = (server.server.address() as AddressInfo).port;
});
afterAll(async () => {
  await new Promise<void>((closed) => server.close(() => closed()));
  await db.destroy();
  rmSync(folder, { recursive: true, force: true });
});

const emailOf = ({ id }: Actor) => `${id}@tidewell.example`;

/** Sends a mail as somebody's mail program does, and says what the server said of it. */
type Mail = Parameters<ReturnType<typeof nodemailer.createTransport>['sendMail']>[0];
async function mailed(mail: Mail): Promise<string> {
  const transport = nodemailer.createTransport({ host: '127.0.0.1', port, secure: false, ignoreTLS: true });
  try {
    return (await transport.sendMail({ subject: 'Re: a reply', ...mail })).response;
  } catch (error) {
    return (error as Error).message;
  } finally {
    transport.close();
  }
}

const QUOTED =
  '\n\nOn Tue, 13 Oct 2026 at 11:00, Pulpit <pulpit@tidewell.example> wrote:\n> Noor Vasquez replied to you.\n>\n> and a reply to it\n';

/** Somebody responds, another replies, and the first is told of it by mail: where an answer to it goes, and what it answers. */
async function asked(who: Actor, by: Actor): Promise<{ address: string; post: number }> {
  now = on('Tue 11:00');
  const { post } = await shared(db, who, OPEN, 'Tue 10:00', shareInput(`mine, ${randomUUID()}`));
  const reply = await shared(
    db,
    by,
    OPEN,
    'Tue 11:00',
    shareInput('and a reply to it', { kind: 'reply', parent: post }),
  );
  const mails = await keptUp(db, on('Tue 11:00'));
  const mail = mails.find((m) => m.to.name === who.name && m.headers?.replyTo);
  return { address: mail?.headers?.replyTo ?? '', post: reply.post };
}
const draftUnder = async (post: number, who: Actor) => {
  const row = await db('drafts').where({ author_id: who.id, parent_id: post }).first('doc', 'checks');
  return row ? { text: plainText(row.doc), checks: row.checks as { id: string }[], doc: row.doc } : null;
};

describe('an answer by mail', () => {
  it('is a draft under its post, with its checks, without what it quotes and its signature; and no post', async () => {
    const { imani, noor } = world.people;
    const { address, post } = await asked(imani, noor);
    expect(address.split('@')[0]?.length).toBeLessThanOrEqual(64);
    const posts = await db('posts').count('* as n').first();
    const said = await mailed({
      from: `Imani Okoro <${emailOf(imani).toUpperCase()}>`,
      to: address,
      text: `I would look at the gauge first.\n\nThe table says little.\n\n-- \nImani\nSent from my phone${QUOTED}`,
    });
    expect(said).toMatch(/^250/u);
    const draft = await draftUnder(post, imani);
    expect(draft?.text.trim()).toBe('I would look at the gauge first.\nThe table says little.');
    expect(draft?.checks.map((c) => c.id)).toContain('words');
    expect(await db('posts').count('* as n').first()).toEqual(posts);
    const { lines } = await noticesPage(deps(db, 'Tue 11:05'), imani, { key: null });
    expect(lines.map((l) => l.title)).toContain('Your answer by mail waits as a draft');
  });

  it('goes under what stands in the draft already, and brings its files', async () => {
    const { imani, rafi } = world.people;
    const { address, post } = await asked(imani, rafi);
    await keepDraft(deps(db, 'Tue 11:01'), imani, OPEN, {
      kind: 'reply',
      parent: post,
      submission: randomUUID(),
      title: '',
      doc: text('begun at the desk'),
      base: 0,
      conflict: 'tell',
    });
    const said = await mailed({
      from: emailOf(imani),
      to: address,
      text: `and gone on with on the train${QUOTED}`,
      attachments: [
        { filename: 'gauge.csv', content: 'hour,level\n1,2\n' },
        { filename: 'run.exe', content: Buffer.from('MZ\u0000\u0001not for anybody', 'latin1') },
      ],
    });
    expect(said).toMatch(/^250/u);
    const draft = await draftUnder(post, imani);
    expect(draft?.text).toContain('begun at the desk\nand gone on with on the train');
    expect(JSON.stringify(draft?.doc)).toContain('gauge.csv');
    expect(JSON.stringify(draft?.doc)).not.toContain('run.exe');
  });

  it('of somebody else, from a mail that was forwarded, is refused in words and kept nowhere', async () => {
    const { imani, noor, jun } = world.people;
    const { address, post } = await asked(imani, noor);
    const said = await mailed({ from: emailOf(jun), to: address, text: 'I answer in her place' });
    expect(said).toContain('550');
    expect(said).toContain('This address takes the answers of one person');
    for (const who of [imani, jun]) expect(await draftUnder(post, who)).toBeNull();
  });

  it('to an address that is not ours, was changed, or is over, is refused before or after its words', async () => {
    const { imani, noor } = world.people;
    const { address, post } = await asked(imani, noor);
    const changed = address.replace(/^answer-(.)/u, (_, c: string) => `answer-${c === 'a' ? 'b' : 'a'}`);
    for (const to of [changed, `nobody@tidewell.example`, `answer-@tidewell.example`])
      expect(await mailed({ from: emailOf(imani), to, text: 'to nobody' })).toContain('Nobody takes mail');
    now = instant(on('Tue 11:00') + 31 * 86_400_000);
    expect(await mailed({ from: emailOf(imani), to: address, text: 'much too late' })).toContain(
      'thirty days',
    );
    expect(await draftUnder(post, imani)).toBeNull();
    now = on('Tue 11:00');
    // Mail servers may write an address in capitals.
    expect(await mailed({ from: emailOf(imani), to: address.toUpperCase(), text: 'in time' })).toMatch(
      /^250/u,
    );
  });

  it('that a program sends by itself is taken and is nothing; one without words is refused', async () => {
    const { imani, noor } = world.people;
    const { address, post } = await asked(imani, noor);
    const away = {
      from: emailOf(imani),
      to: address,
      text: 'I am away',
      headers: { 'Auto-Submitted': 'auto-replied' },
    };
    expect(await mailed(away)).toMatch(/^250/u);
    expect(await mailed({ from: emailOf(imani), to: address, text: QUOTED })).toContain('says nothing');
    expect(await draftUnder(post, imani)).toBeNull();
  });

  it('that is no mail at all, or far too large, breaks nothing', async () => {
    const { imani, noor } = world.people;
    const { address } = await asked(imani, noor);
    expect(
      await mailed({ from: emailOf(imani), to: address, raw: Buffer.from([0, 255, 10, 13, 0, 65]) }),
    ).toMatch(/^5|550/u);
    expect(await mailed({ from: emailOf(imani), to: address, text: 'x'.repeat(16_000_000) })).toMatch(
      /552|too large|exceeds/iu,
    );
    expect(await mailed({ from: emailOf(imani), to: address, text: 'still here' })).toMatch(/^250/u);
  });
});

it('a report that mail does not arrive stops it, and one that it goes on trying does not', async () => {
  const { imani, noor } = world.people;
  const { post } = await shared(db, imani, OPEN, 'Tue 10:00', shareInput(`mine, ${randomUUID()}`));
  await shared(db, noor, OPEN, 'Tue 12:00', shareInput('a reply', { kind: 'reply', parent: post }));
  const back =
    (await keptUp(db, on('Tue 12:00'))).find((m) => m.to.name === imani.name)?.headers?.returnTo ?? '';
  const report = (action: string, status: string) => ({
    envelope: { from: '', to: back },
    raw: [
      'From: MAILER-DAEMON@mail.example',
      `To: ${back}`,
      'Subject: Delivery report',
      'Auto-Submitted: auto-replied',
      'MIME-Version: 1.0',
      'Content-Type: multipart/report; report-type=delivery-status; boundary="b"',
      '',
      '--b',
      'Content-Type: text/plain',
      '',
      'It did not go well.',
      '--b',
      'Content-Type: message/delivery-status',
      '',
      'Reporting-MTA: dns; mail.example',
      '',
      `Final-Recipient: rfc822; ${emailOf(imani)}`,
      `Action: ${action}`,
      `Status: ${status}`,
      'Diagnostic-Code: smtp; 550 5.1.1 No such',
      '  user here',
      '',
      '--b--',
      '',
    ].join('\r\n'),
  });
  const off = async () => (await noticesPage(deps(db, 'Tue 12:10'), imani, { key: null })).off;
  expect(await mailed(report('delayed', '4.4.1'))).toMatch(/^250/u);
  expect(await off()).toBeNull();
  expect(await mailed(report('failed', '5.1.1'))).toMatch(/^250/u);
  expect((await off())?.why).toBe('smtp; 550 5.1.1 No such user here');
  const { lines } = await noticesPage(deps(db, 'Tue 12:10'), imani, { key: null });
  expect(lines.map((l) => l.title)).toContain('Mail to you does not arrive');
});

it('listens on this machine alone, and lets who says nothing go', async () => {
  const socket = await new Promise<Socket>((open) => {
    const s = connect(port, '127.0.0.1', () => open(s));
  });
  const greeting = await new Promise<string>((said) => socket.once('data', (d) => said(d.toString())));
  expect(greeting).toMatch(/^220 /u);
  socket.destroy();
});
