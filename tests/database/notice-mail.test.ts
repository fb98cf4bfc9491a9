import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AddressInfo } from 'node:net';
import type { Knex } from 'knex';
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import { mailboxPort, smtpPort } from '@/server/mail/ports';
import { sendMail } from '@/server/mail/send';
import { announce, announcementsPage } from '@/server/courses/announcements';
import { keepUp } from '@/server/notices/keep-up';
import { lessMail } from '@/server/notices/rules';
import { noticesPage } from '@/server/notices/page';
import { remindDue } from '@/server/notices/remind';
import type { Actor } from '@/server/deps';
import { SENDING } from './college';
import { box, deps, on, OPEN, SEALED, smallCourse } from './world';
import { hearing, keptUp, noticesAt, room } from './notices';

const FROM = 'Tidewell Open College <pulpit@tidewell.example>';
const folder = mkdtempSync(join(tmpdir(), 'pulpit-notice-mail-'));
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let n = 0;
beforeEach(async () => {
  world = await smallCourse(`notice_mail_${(n += 1)}`);
  db = world.db;
});
afterEach(() => db.destroy());
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const { respond, reply } = room(() => db);

/** Writes what leaves into a mailbox, and reads it with a parser of somebody else's. */
async function parsed(when: string): Promise<(ParsedMail & { file: string })[]> {
  const place = mkdtempSync(join(folder, 'box-'));
  const port = mailboxPort(place, FROM);
  for (const mail of await keptUp(db, on(when))) await port.send(mail);
  return Promise.all(
    readdirSync(place).map(async (name) => ({
      ...(await simpleParser(readFileSync(join(place, name)))),
      file: join(place, name),
    })),
  );
}
const to = (mails: (ParsedMail & { file: string })[], who: Actor) =>
  mails.filter((m) => !Array.isArray(m.to) && m.to?.value[0]?.name === who.name);

describe('a mail about a reply', () => {
  it('stands in its thread, says who and what, and is read by a mail reader as by a parser', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    const theirs = await reply(noor, mine, 'Tue 11:00', {
      words: 'What the river takes, it gives “back” & more <than> that.',
    });
    const again = await reply(imani, theirs, 'Tue 11:05', { words: 'I would not say so' });
    const third = await reply(noor, again, 'Tue 11:06', { words: 'Then look at the gauge.' });
    const [first, second] = to(await parsed('Tue 11:10'), imani);
    expect([first?.messageId, second]).toEqual([`<${first?.messageId?.slice(1, -1)}>`, undefined]);
    // Two replies of one moment are one mail; each is told with its own words.
    expect(first?.text).toContain('> What the river takes, it gives “back” & more <than> that.');
    expect(first?.text).toContain('> Then look at the gauge.');
    expect(third).toBeGreaterThan(theirs);
    const shown = execFileSync('mshow', ['-q', '-h', 'from:to:subject', first?.file ?? ''], {
      encoding: 'utf8',
    });
    expect(shown).toContain('To: Imani Okoro');
    expect(execFileSync('mshow', ['-n', first?.file ?? ''], { encoding: 'utf8' })).toContain('the gauge');
  });

  it('of one post has the names of those above it, so that programs show the discussion’s own order', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    const theirs = await reply(noor, mine, 'Tue 11:00', { words: 'the first' });
    const [one] = to(await parsed('Tue 11:01'), imani);
    const mineAgain = await reply(imani, theirs, 'Tue 11:05', { words: 'an answer' });
    const last = await reply(noor, mineAgain, 'Tue 11:06', { words: 'the second' });
    const [two] = to(await parsed('Tue 11:07'), imani);
    const name = (what: string) => `<${what}.${imani.id}@tidewell.example>`;
    expect(one?.messageId).toBe(name(`post-${theirs}`));
    expect(two?.messageId).toBe(name(`post-${last}`));
    expect(two?.inReplyTo).toBe(name(`post-${mineAgain}`));
    expect(two?.references).toEqual([
      name(`discussion-${world.discussion.open}`),
      ...[mine, theirs, mineAgain].map((p) => name(`post-${p}`)),
    ]);
    expect(two?.headers.get('list')).toMatchObject({ id: { id: 'geo-115.tidewell.example' } });
  });

  it('can be stopped by one press in a mail program, and only its kind', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 11:00', { words: 'the first' });
    const [mail] = to(await parsed('Tue 11:01'), imani);
    const head = mail?.headerLines.map((h) => h.line).join('\n') ?? '';
    expect(head).toContain('List-Unsubscribe-Post: List-Unsubscribe=One-Click');
    const [, token = ''] =
      /^List-Unsubscribe: <https:\/\/pulpit\.tidewell\.example\/less-mail\/([a-z2-7]+)>/mu.exec(head) ?? [];
    expect(
      await lessMail(
        deps(db, 'Tue 11:02'),
        `${token.slice(0, 20)}${token[20] === 'a' ? 'b' : 'a'}${token.slice(21)}`,
      ),
    ).toMatchObject({ ok: false });
    expect(await lessMail(deps(db, 'Tue 11:02'), token)).toMatchObject({ ok: true });
    expect(await lessMail(deps(db, 'Tue 11:03'), token)).toMatchObject({ ok: true });
    await reply(noor, mine, 'Tue 11:10', { words: 'the second' });
    expect(to(await parsed('Tue 11:11'), imani)).toEqual([]);
    const { rules, lines } = await noticesPage(deps(db, 'Tue 11:12'), imani, { key: null });
    expect([rules.ways.reply, rules.ways.name, lines[0]?.title]).toEqual([
      'here',
      'once',
      'Noor Vasquez replied to you',
    ]);
  });
});

describe('what a mail may say', () => {
  it('nothing of a sealed discussion that its reader has not opened, and nothing private in its subject', async () => {
    const { imani, noor, rafi } = world.people;
    await respond(imani, 'Tue 09:00', SEALED, 'the heron stands at the weir');
    await respond(noor, 'Tue 10:00', SEALED, 'a secret of the meadow');
    const mine = await respond(imani, 'Tue 10:05');
    await reply(rafi, mine, 'Tue 10:10', { words: 'between us two: a confession', private: true });
    await keepUp(deps(db, 'Tue 10:11'));
    const mails = to(await parsed('Tue 13:00'), imani);
    const all = mails.map((m) => `${m.subject}\n${m.text}\n${String(m.html)}`).join('\n');
    expect(all).toContain('One new post in GEO 115 week 6');
    expect(all).not.toContain('meadow');
    expect(mails.map((m) => m.subject).join()).not.toContain('confession');
    // What a mail program shows beside the subject comes before the words.
    for (const m of mails) expect(String(m.html).indexOf('from Pulpit')).toBeGreaterThan(-1);
    for (const who of [noor, rafi])
      expect(
        to(mails, who)
          .map((m) => m.text)
          .join(),
      ).not.toContain('confession');
  });

  it('no word of it is in any row or job, before it goes and after', async () => {
    const { imani, noor, holt } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 11:00', { words: 'zygotic marginalia', private: true });
    await announce(deps(db, 'Tue 11:00'), holt, 'geo-115', { title: 'A title', body: 'quixotic tidings' });
    const look = async () => {
      for (const table of [
        'notices',
        'mails',
        'posts_to_tell',
        'graphile_worker._private_jobs',
        'push_devices',
      ]) {
        const { rows } = await db.raw(`select * from ${table}`);
        expect(JSON.stringify(rows)).not.toMatch(/zygotic|marginalia|quixotic|tidings/u);
      }
    };
    await look();
    const mails = await parsed('Tue 11:01');
    expect(mails.map((m) => m.text).join()).toMatch(/zygotic marginalia/u);
    expect(mails.map((m) => m.text).join()).toMatch(/quixotic tidings/u);
    await look();
  });

  it('an announcement reaches everybody whatever they choose, says so, and staff see how it fares', async () => {
    const { imani, noor, holt } = world.people;
    const here = {
      reply: 'here',
      name: 'here',
      answer: 'here',
      mark: 'here',
      change: 'here',
      post: 'here',
    } as const;
    await hearing(db, on('Tue 09:00'), imani, { ways: here, before: [] });
    await announce(deps(db, 'Tue 10:00'), holt, 'geo-115', {
      title: 'Field photos',
      body: 'They are up.\n\nSee the week.',
    });
    await db('people').where({ id: noor.id }).update({ mail_off_at: new Date() });
    const mails = await parsed('Tue 10:01');
    const [mail] = to(mails, imani);
    expect(mail?.subject).toBe('Field photos · GEO 115');
    expect(mail?.text).toContain('Announcements reach everybody in the course by mail.');
    expect(mail?.headerLines.map((h) => h.key)).not.toContain('list-unsubscribe');
    expect(to(mails, noor)).toEqual([]);
    const seen = await announcementsPage(deps(db, 'Tue 10:05'), holt, 'geo-115');
    expect(seen).toMatchObject({
      ok: true,
      value: { announcements: [{ mailed: { waiting: 0, sent: 4, refused: 1 } }] },
    });
  });

  it('a gathered one shows each thread once, its newest words, and what nobody has answered', async () => {
    const { imani, noor, jun, rafi } = world.people;
    await respond(imani, 'Tue 08:30');
    const a = await respond(noor, 'Tue 09:00', OPEN, 'the first of the thread');
    await reply(jun, a, 'Tue 09:10', { words: 'newest in it' });
    await respond(rafi, 'Tue 09:20', OPEN, 'nobody has answered me');
    await keepUp(deps(db, 'Tue 09:21'));
    const [mail, ...more] = to(await parsed('Tue 13:00'), imani);
    expect(more).toEqual([]);
    expect(mail?.subject).toBe('3 new posts in GEO 115 week 6');
    expect(mail?.text).toContain('> newest in it\n(Jun Hathaway, the newest of 2 in this thread)');
    expect(mail?.text).toContain('> nobody has answered me\n(Rafi Castellan · no reply yet)');
    expect(mail?.text).not.toContain('the first of the thread');
  });

  it('a reminder says how long and what next; every line is short enough for any mail reader', async () => {
    const { imani } = world.people;
    await remindDue(deps(db, 'Thu 19:00'));
    const mails = to(await parsed('Thu 19:00'), imani);
    expect(mails[0]?.text).toContain('the response is due in five hours');
    expect(mails[0]?.text).toMatch(/About 5 minutes at your pace\. Next: begin your\s+response/u);
    for (const m of mails)
      for (const line of (m.text ?? '').split('\n'))
        if (!line.startsWith('http')) expect(line.length).toBeLessThanOrEqual(76);
  });
});

describe('a server that takes mail badly', () => {
  type Behaviour = {
    rcpt?: (nth: number) => string | null;
    data?: (nth: number) => 'take' | 'hang' | 'later' | 'take-and-die';
  };
  const stops: (() => Promise<void>)[] = [];
  afterEach(async () => {
    for (const stop of stops.splice(0)) await stop();
  });

  /** A server of its own kind, and the names of what it said it has taken. */
  async function serving({ rcpt, data }: Behaviour) {
    const taken: string[] = [];
    let asked = 0;
    let given = 0;
    const server = new SMTPServer({
      disabledCommands: ['AUTH', 'STARTTLS'],
      closeTimeout: 50,
      onRcptTo: (_, __, done) => {
        const no = rcpt?.((asked += 1)) ?? null;
        done(
          no === null
            ? null
            : Object.assign(new Error(no.slice(4)), { responseCode: Number(no.slice(0, 3)) }),
        );
      },
      onData: (stream, session, done) => {
        const pieces: Buffer[] = [];
        stream.on('data', (p: Buffer) => pieces.push(p));
        stream.on('end', () => {
          const how = data?.((given += 1)) ?? 'take';
          if (how === 'hang') return;
          if (how === 'later')
            return done(Object.assign(new Error('Greylisted, come back'), { responseCode: 451 }));
          const [, name = ''] = /^Message-ID: (\S+)/imu.exec(Buffer.concat(pieces).toString()) ?? [];
          taken.push(name);
          done();
          if (how === 'take-and-die') setImmediate(() => server.close());
        });
        void session;
      },
    });
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
    server.on('error', () => undefined);
    stops.push(() => new Promise<void>((closed) => server.close(() => closed())));
    const { port } = server.server.address() as AddressInfo;
    return { taken, port: smtpPort(`smtp://127.0.0.1:${port}`, FROM, { waits: 400 }) };
  }
  const waiting = () => db('mails').whereNull('sent_at').whereNull('given_up_at').pluck('id');
  /** Tries everything that waits, as the queue does: what fails stays. */
  const tried = async (port: ReturnType<typeof smtpPort>) => {
    const failed: string[] = [];
    for (const id of await waiting())
      await sendMail({ db, now: on('Tue 11:10'), box }, port, SENDING, id).catch((e: Error) =>
        failed.push(e.message),
      );
    return failed;
  };
  const threeMails = async () => {
    const { imani, noor, jun, rafi } = world.people;
    for (const [who, by] of [
      [imani, noor],
      [noor, jun],
      [jun, rafi],
    ] as const)
      await reply(by, await respond(who, 'Tue 10:00'), 'Tue 11:00', { words: `to ${who.name}` });
    await keepUp(deps(db, 'Tue 11:01'));
    expect(await waiting()).toHaveLength(3);
  };

  it('that wants to be asked later, or hangs, gets each once in the end', async () => {
    await threeMails();
    const { taken, port } = await serving({
      data: (nth) => (nth === 1 ? 'later' : nth === 2 ? 'hang' : 'take'),
    });
    const failed = await tried(port);
    expect(failed).toHaveLength(2);
    expect(failed[0]).toMatch(/Greylisted/u);
    expect(await waiting()).toHaveLength(2);
    expect(await tried(port)).toEqual([]);
    expect(taken).toHaveLength(3);
    expect(new Set(taken).size).toBe(3);
    expect(await tried(port)).toEqual([]);
  });

  it('that says it has one and dies is not given it again', async () => {
    await threeMails();
    const dying = await serving({ data: (nth) => (nth === 1 ? 'take-and-die' : 'take') });
    await tried(dying.port);
    const left = await waiting();
    const next = await serving({});
    await tried(next.port);
    expect(next.taken).toHaveLength(left.length);
    expect(new Set([...dying.taken, ...next.taken]).size).toBe(3);
    expect([...dying.taken, ...next.taken]).toHaveLength(3);
  });

  it('that refuses an address for good: nothing is lost, mail to it stops, and its person is told', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 11:00', { words: 'the first' });
    await keepUp(deps(db, 'Tue 11:01'));
    const { port } = await serving({ rcpt: () => '550 No such mailbox here' });
    expect(await tried(port)).toEqual([]);
    const { off, lines } = await noticesPage(deps(db, 'Tue 11:20'), imani, { key: null });
    expect(off?.why).toContain('No such mailbox here');
    expect(lines.map((l) => l.title)).toEqual(['Mail to you does not arrive', 'Noor Vasquez replied to you']);
    await reply(noor, mine, 'Tue 11:30', { words: 'the second' });
    await keepUp(deps(db, 'Tue 11:31'));
    expect(await waiting()).toEqual([]);
    expect((await noticesAt(db, imani)).filter((x) => x.kind === 'reply')).toHaveLength(2);
  });

  it('that is away through every try: it is given up in words', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 11:00', { words: 'the first' });
    await keepUp(deps(db, 'Tue 11:01'));
    const away = smtpPort('smtp://127.0.0.1:1', FROM, { waits: 200 });
    for (let i = 0; i < 12; i += 1) await tried(away);
    expect(await waiting()).toEqual([]);
    const { off, lines } = await noticesPage(deps(db, 'Tue 11:20'), imani, { key: null });
    // The address may be right: it is not turned off.
    expect(off).toBeNull();
    expect(lines[0]?.title).toBe('Mail to you does not arrive');
  });
});
