import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { SMTPServer } from 'smtp-server';
import { mailbox } from '@/server/mail/mailbox';
import { mailboxPort, smtpPort } from '@/server/mail/ports';
import type { MailPort, Outgoing } from '@/server/mail/port';
import { sendMail } from '@/server/mail/send';
import { lookAtInvitation } from '@/server/people/accept';
import { invite } from '@/server/people/invite';
import type { Steward } from '@/server/stewards/enter';
import { begun, keyIn, SENDING } from './college';
import { deps, on, smallCourse } from './world';

const FROM = 'Tidewell Open College <pulpit@tidewell.example>';
const folder = mkdtempSync(join(tmpdir(), 'pulpit-mailbox-'));
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let steward: Steward;
beforeAll(async () => {
  world = await smallCourse('mail');
  db = world.db;
  steward = await begun(db);
});
afterAll(async () => {
  await db.destroy();
  rmSync(folder, { recursive: true, force: true });
});

const mail = (over: Partial<Outgoing> = {}): Outgoing => ({
  id: '11111111-2222-4333-8444-555555555555',
  to: { name: 'Zoë Ångström', address: 'zoe@tidewell.example' },
  subject: 'You are invited to GEO 115: “Rivers”',
  text: 'Hello Zoë,\n\nOpen this:\nhttps://pulpit.tidewell.example/invitation#abc\n',
  html: null,
  headers: null,
  date: new Date(on('Tue 10:00')),
  ...over,
});

it('lies in the mailbox as a message that a mail reader opens, once however often it is sent', async () => {
  const port = mailboxPort(folder, FROM);
  await port.send(mail());
  await port.send(mail());
  const names = readdirSync(folder);
  expect(names).toEqual([`${mail().id}.eml`]);
  const file = join(folder, names[0] ?? '');
  // Nobody else on the machine reads the links in it.
  expect(statSync(file).mode & 0o077).toBe(0);
  const shown = execFileSync('mshow', ['-q', '-h', 'from:to:subject:date', file], { encoding: 'utf8' });
  expect(shown).toContain('From: Tidewell Open College <pulpit@tidewell.example>');
  expect(shown).toContain('To: Zoë Ångström <zoe@tidewell.example>');
  expect(shown).toContain('Subject: You are invited to GEO 115: “Rivers”');
  expect(execFileSync('mshow', ['-n', file], { encoding: 'utf8' })).toContain('/invitation#abc');
  expect(await mailbox(folder)).toMatchObject({
    mails: [{ to: 'zoe@tidewell.example', subject: mail().subject, at: on('Tue 10:00') }],
    more: 0,
  });
});

it('carries nothing of a name into its other headers', async () => {
  await mailboxPort(folder, FROM).send(
    mail({
      id: '21111111-2222-4333-8444-555555555555',
      to: { name: 'A\r\nBcc: evil@x.example', address: 'a@x.example' },
    }),
  );
  const shown = execFileSync(
    'mshow',
    ['-q', '-h', 'bcc', join(folder, '21111111-2222-4333-8444-555555555555.eml')],
    {
      encoding: 'utf8',
    },
  );
  expect(shown).not.toContain('evil@x.example');
});

it('is handed to a server by SMTP', async () => {
  const taken: string[] = [];
  const server = new SMTPServer({
    closeTimeout: 50,
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onData(stream, _, done) {
      let text = '';
      stream.on('data', (piece: Buffer) => (text += piece.toString()));
      stream.on('end', () => {
        taken.push(text);
        done();
      });
    },
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.server.address() as AddressInfo;
  await smtpPort(`smtp://127.0.0.1:${port}`, FROM).send(mail());
  await new Promise<void>((closed) => server.close(() => closed()));
  expect(taken).toHaveLength(1);
  expect(taken[0]).toContain(`Message-ID: <${mail().id}@tidewell.example>`);
  expect(taken[0]).toContain('Auto-Submitted: auto-generated');
});

it('that no server takes is kept with why, tried again, and sent once by however many who try', async () => {
  await invite(deps(db, 'Tue 08:00'), steward, {
    name: 'Ada',
    email: 'ada@x.example',
    as: { course: world.course, role: 'student' },
  });
  const [{ id }] = (await db('mails').whereNull('sent_at').select('id')) as [{ id: string }];
  const send = (port: MailPort) => sendMail(deps(db, 'Tue 08:01'), port, SENDING, id);
  await expect(send({ send: () => Promise.reject(new Error('the server is away')) })).rejects.toThrow('away');
  expect(await db('mails').where({ id }).first('sent_at', 'tries', 'trouble')).toEqual({
    sent_at: null,
    tries: 1,
    trouble: 'the server is away',
  });
  const out: Outgoing[] = [];
  const port: MailPort = {
    send: async (m) => {
      out.push(m);
      // Whoever is quick opens the link before the mail is marked as sent.
      expect(await lookAtInvitation(deps(db, 'Tue 08:02'), keyIn(m))).toMatchObject({ ok: true });
    },
  };
  // Whoever finds it in another's hands tries again later.
  await Promise.allSettled([send(port), send(port), send(port)]);
  expect(out).toHaveLength(1);
  // The key of the try that went nowhere opens nothing any more.
  expect(await db('one_time_keys').where({ purpose: 'invitation' })).toHaveLength(1);
  // What it says is nowhere in the database.
  expect(JSON.stringify(await db('mails').where({ id }).first())).not.toContain('#');
});

it('is sent by somebody else where whoever took it is gone', async () => {
  await invite(deps(db, 'Tue 08:00'), steward, {
    name: 'Bea',
    email: 'bea@x.example',
    as: { course: world.course, role: 'student' },
  });
  const [{ id }] = (await db('mails').whereNull('sent_at').select('id')) as [{ id: string }];
  const out: Outgoing[] = [];
  const port: MailPort = { send: async (m) => void out.push(m) };
  const send = () => sendMail(deps(db, 'Tue 08:01'), port, SENDING, id);
  await db('mails').where({ id }).update({ taken_at: db.fn.now() });
  // It may be on its way: not sent twice, and not taken for done either.
  await expect(send()).rejects.toThrow('being sent already');
  await db('mails')
    .where({ id })
    .update({ taken_at: db.raw(`now() - interval '3 minutes'`) });
  await send();
  await send();
  expect(out).toHaveLength(1);
});

it('that cannot be written just now is kept, and written later', async () => {
  await invite(deps(db, 'Tue 08:00'), steward, {
    name: 'Cal',
    email: 'cal@x.example',
    as: { course: world.course, role: 'student' },
  });
  const [{ id }] = (await db('mails').whereNull('sent_at').select('id')) as [{ id: string }];
  const out: Outgoing[] = [];
  const port: MailPort = { send: async (m) => void out.push(m) };
  const send = () => sendMail(deps(db, 'Tue 08:01'), port, SENDING, id);
  await db.raw('alter table one_time_keys rename to keys_away');
  await expect(send()).rejects.toThrow();
  await db.raw('alter table keys_away rename to one_time_keys');
  await send();
  expect(out).toHaveLength(1);
});
