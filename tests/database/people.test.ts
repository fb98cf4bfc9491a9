import type { Knex } from 'knex';
import { strFromU8, unzipSync } from 'fflate';
import { courseId, instant, personId } from '@/core/ids';
import type { FileStore } from '@/server/files/store';
import { ownArchive } from '@/server/people/archive';
import { acceptInvitation, lookAtInvitation } from '@/server/people/accept';
import {
  accountPage,
  askForAddress,
  changePassword,
  confirmAddress,
  endOwnAccount,
  signOutThere,
} from '@/server/people/account';
import { beginCollege, firstRunKey, lookAtFirstRun } from '@/server/people/first-run';
import { invite, inviteAgain, takeBackInvitation } from '@/server/people/invite';
import { joinByCode } from '@/server/people/join';
import { leaveCourse } from '@/server/people/leaving';
import { askForPassword, lookAtReset, resetPassword } from '@/server/people/reset';
import { sweepPeople } from '@/server/people/sweep';
import { findSession, noteVisit, sessionName, signIn } from '@/server/sessions/sessions';
import { actOnCourse, coursePage, makeCourse } from '@/server/stewards/courses';
import { actOnPerson, peoplePage, personPage } from '@/server/stewards/people';
import { enterAsSteward, type Steward } from '@/server/stewards/enter';
import { logPage } from '@/server/stewards/home';
import { begun, isIn, keyIn, later, post } from './college';
import { deps, on, OPEN, shared, shareInput, smallCourse, triedBefore } from './world';

const PASSWORD = 'a heron stands in the shallow bend';
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let steward: Steward;
// Nothing here has a file.
const none: FileStore = {} as FileStore;
beforeAll(async () => {
  world = await smallCourse('people');
  db = world.db;
});
beforeEach(() => triedBefore(db, 60));
afterAll(() => db.destroy());

const at = (when: string) => deps(db, when);
const student = (email: string, name = '') => ({
  name,
  email,
  as: { course: world.course, role: 'student' as const },
});
const accepting = (name: string) => ({ name, password: PASSWORD, timeZone: 'UTC' });
const trying = (email: string, password: string) => ({
  email,
  password,
  network: null,
  device: null,
  agent: '',
  demo: false,
});

describe('the first run', () => {
  it('has a key that works once, for an hour, and only while nobody looks after the installation', async () => {
    const key = (await firstRunKey(at('Mon 05:00'), false)) ?? '';
    expect(await lookAtFirstRun(at('Mon 05:59'), key)).toEqual({ ok: true, value: null });
    expect(await lookAtFirstRun(at('Mon 06:00'), key)).toMatchObject({ failure: { code: 'key-over' } });
    expect(await lookAtFirstRun(at('Mon 05:00'), 'x')).toMatchObject({ failure: { code: 'key-unknown' } });
    // Asked again, the one before opens nothing.
    await firstRunKey(at('Mon 05:10'), false);
    expect(await lookAtFirstRun(at('Mon 05:11'), key)).toMatchObject({ failure: { code: 'key-unknown' } });
    const weak = await beginCollege(
      at('Mon 05:20'),
      (await firstRunKey(at('Mon 05:15'), false)) ?? '',
      { college: 'X', timeZone: 'UTC', name: 'A', email: 'a@x.example', password: 'short' },
      { demo: false, agent: '' },
    );
    expect(weak).toMatchObject({ failure: { code: 'password', why: 'too-short' } });
    steward = await begun(db);
    expect(await firstRunKey(at('Mon 06:01'), false)).toBeNull();
  });
  it('keeps the key and every other only as a hash', async () => {
    const rows = await db('one_time_keys').select('key_hash');
    for (const { key_hash: hash } of rows) expect(hash).toHaveLength(32);
  });
});

describe('an invitation', () => {
  it('goes out by mail, opens an account and the course once, and no more', async () => {
    expect(await invite(at('Mon 08:00'), steward, student('Petra@x.example', 'Petra'))).toEqual({
      ok: true,
      value: { code: 'invited' },
    });
    expect(await invite(at('Mon 08:01'), steward, student('petra@X.example'))).toMatchObject({
      value: { code: 'invited-already' },
    });
    const [mail, ...more] = await post(db, on('Mon 08:02'));
    expect(more).toEqual([]);
    expect(mail).toMatchObject({ to: { name: 'Petra', address: 'Petra@x.example' } });
    expect(mail?.text).toContain('GEO 115 Rivers, as a student');
    const key = keyIn(mail);
    expect(await lookAtInvitation(at('Tue 08:00'), key)).toMatchObject({
      value: { college: 'Tidewell Open College', account: false, places: [{ role: 'student' }] },
    });
    const done = await acceptInvitation(at('Tue 08:00'), key, accepting('Petra Lindqvist'), 'Firefox');
    if (!done.ok || !done.value) throw new Error('not accepted');
    const session = await findSession(db, done.value.token);
    expect(session).toMatchObject({ name: 'Petra Lindqvist', email: 'Petra@x.example' });
    expect(await acceptInvitation(at('Tue 09:00'), key, accepting('Again'), '')).toMatchObject({
      failure: { code: 'key-used' },
    });
    const people = await coursePage(at('Tue 09:00'), world.course);
    expect(people.ok && people.value.people.map((p) => p.name)).toContain('Petra Lindqvist');
    expect(await signIn(at('Tue 10:00'), trying('petra@x.example', PASSWORD))).toMatchObject({ ok: true });
  });
  it('is good for seven days; sent again, only the newest link opens; taken back, none does', async () => {
    await invite(at('Mon 09:00'), steward, student('slow@x.example'));
    const first = keyIn((await post(db, on('Mon 09:00')))[0]);
    const week = later(on('Mon 09:00'), 7 * 24);
    expect(await lookAtInvitation({ db, now: week }, first)).toMatchObject({ failure: { code: 'key-over' } });
    const { invitations } = await peoplePage(at('Tue 09:00'), { words: '', page: 1 });
    const id = invitations.find((i) => i.email === 'slow@x.example')?.id ?? '';
    expect(await inviteAgain({ db, now: week }, steward, id)).toEqual({ ok: true, value: null });
    const second = keyIn((await post(db, week))[0]);
    expect(await lookAtInvitation({ db, now: week }, first)).toMatchObject({
      failure: { code: 'key-unknown' },
    });
    expect(await lookAtInvitation({ db, now: week }, second)).toMatchObject({ ok: true });
    expect(await takeBackInvitation({ db, now: week }, steward, id)).toEqual({ ok: true, value: null });
    expect(await acceptInvitation({ db, now: week }, second, accepting('Slow'), '')).toMatchObject({
      failure: { code: 'taken-back' },
    });
    expect(await inviteAgain({ db, now: week }, steward, id)).toMatchObject({
      failure: { code: 'not-found' },
    });
  });
  it('taken back before its mail left is never sent', async () => {
    await invite(at('Mon 10:00'), steward, student('early@x.example'));
    const { invitations } = await peoplePage(at('Mon 10:00'), { words: '', page: 1 });
    await takeBackInvitation(
      at('Mon 10:01'),
      steward,
      invitations.find((i) => i.email === 'early@x.example')?.id ?? '',
    );
    expect(await post(db, on('Mon 10:02'))).toEqual([]);
  });
  it('lets whoever has an account in at once, and tells them', async () => {
    const outsider = world.people.stranger;
    const email = `${outsider.id}@tidewell.example`;
    expect(await invite(at('Mon 11:00'), steward, student(email))).toMatchObject({
      value: { code: 'let-in' },
    });
    expect(await invite(at('Mon 11:01'), steward, student(email))).toMatchObject({
      value: { code: 'there-already' },
    });
    expect((await post(db, on('Mon 11:02'))).map((m) => m.subject)).toEqual(['You are in GEO 115 now']);
  });
  it('to two places is accepted for both by either link, which shows whose the address is', async () => {
    const other = await makeCourse(at('Mon 12:00'), steward, {
      code: 'SND 130',
      term: '',
      title: 'Sound',
      timeZone: 'UTC',
    });
    if (!other.ok) throw new Error();
    await invite(at('Mon 12:00'), steward, student('both@x.example'));
    await invite(at('Mon 12:00'), steward, {
      name: '',
      email: 'both@x.example',
      as: { course: other.value.course, role: 'assistant' },
    });
    const [, second] = await post(db, on('Mon 12:01'));
    const done = await acceptInvitation(at('Mon 13:00'), keyIn(second), accepting('Bo Both'), '');
    if (!done.ok || !done.value) throw new Error('not accepted');
    const who = await findSession(db, done.value.token);
    const page = await personPage(at('Mon 13:00'), steward, who?.person ?? '');
    expect(page.ok && page.value.courses.map((c) => [c.code, c.role])).toEqual([
      ['GEO 115', 'student'],
      ['SND 130', 'assistant'],
    ]);
  });
  it('of a text that is no address, or to a course that is not there, is none', async () => {
    expect(
      await invite(at('Mon 12:00'), steward, {
        ...student('x@x.example'),
        as: { course: '00000000-0000-4000-8000-000000000000', role: 'student' },
      }),
    ).toMatchObject({ failure: { code: 'not-found' } });
  });
});

describe('a forgotten password', () => {
  it('is answered the same whoever asks, and only an account gets a mail', async () => {
    await askForPassword(at('Wed 08:00'), 'nobody@x.example', '192.0.2.1');
    await askForPassword(at('Wed 08:00'), 'PETRA@x.example', '192.0.2.1');
    const mails = await post(db, on('Wed 08:01'));
    expect(mails.map((m) => m.to.address)).toEqual(['PETRA@x.example']);
    const key = keyIn(mails[0]);
    expect(await lookAtReset(at('Wed 08:30'), key)).toMatchObject({ ok: true });
    expect(await lookAtReset(at('Wed 08:31'), key)).toMatchObject({ failure: { code: 'key-over' } });
    expect(await resetPassword(at('Wed 08:20'), key, 'petra lindqvist')).toMatchObject({
      failure: { code: 'password', why: 'is-yours' },
    });
    const before = isIn(await signIn(at('Wed 08:05'), trying('petra@x.example', PASSWORD)));
    expect(await resetPassword(at('Wed 08:21'), key, 'reeds bend and do not break')).toEqual({
      ok: true,
      value: null,
    });
    expect(await resetPassword(at('Wed 08:22'), key, 'reeds bend and do not break')).toMatchObject({
      failure: { code: 'key-used' },
    });
    // Every session ended, the old password is none, and a mail says so.
    expect(await findSession(db, before.token)).toBeNull();
    expect(await signIn(at('Wed 08:23'), trying('petra@x.example', PASSWORD))).toMatchObject({ ok: false });
    expect((await post(db, on('Wed 08:24'))).map((m) => m.subject)).toEqual(['Your password was changed']);
    const again = await signIn(at('Wed 08:25'), trying('petra@x.example', 'reeds bend and do not break'));
    expect(again).toMatchObject({ ok: true });
  });
  it('asked for by a stranger again and again sends few mails, and keeps nobody from asking elsewhere', async () => {
    for (let i = 0; i < 12; i += 1) await askForPassword(at('Thu 08:00'), 'petra@x.example', '203.0.113.5');
    await askForPassword(at('Thu 08:00'), 'petra@x.example', '192.0.2.77');
    expect(await db('mails').where({ kind: 'password' }).whereNull('sent_at')).toHaveLength(6);
    await post(db, on('Thu 08:01'));
  });
});

describe('the own account', () => {
  const petra = async (when: string) => {
    const { token } = isIn(await signIn(at(when), trying('petra@x.example', 'reeds bend and do not break')));
    const session = await findSession(db, token);
    if (!session) throw new Error();
    return {
      actor: { id: session.person, name: session.name, timeZone: 'UTC', previousVisit: null },
      session: sessionName(token),
      token,
    };
  };

  it('lists where one is signed in, and signs out there or everywhere else', async () => {
    const here = await petra('Thu 09:00');
    const there = await petra('Thu 09:01');
    const page = await accountPage(at('Thu 09:02'), here.actor, here.session);
    expect(page.devices.filter((d) => d.here)).toHaveLength(1);
    const other = page.devices.find((d) => !d.here && d.started === on('Thu 09:01'));
    await signOutThere(at('Thu 09:03'), here.actor, { id: other?.id ?? '' });
    expect(await findSession(db, there.token)).toBeNull();
    await petra('Thu 09:04');
    await signOutThere(at('Thu 09:05'), here.actor, { allBut: here.session });
    expect((await accountPage(at('Thu 09:06'), here.actor, here.session)).devices).toHaveLength(1);
    // Nobody signs anybody else out.
    await signOutThere(at('Thu 09:07'), world.people.imani, {
      id: page.devices.find((d) => d.here)?.id ?? '',
    });
    expect(await findSession(db, here.token)).not.toBeNull();
  });
  it('knows each browser by its own last use, whatever another is doing', async () => {
    const busy = await petra('Thu 09:30');
    const quiet = await petra('Thu 09:30');
    for (const minutes of [0, 4, 8, 12])
      for (const { token } of [busy, quiet]) {
        const now = instant(on('Thu 09:40') + minutes * 60_000);
        const session = await findSession(db, token);
        if (session) await noteVisit({ db, now }, session);
      }
    const { devices } = await accountPage(at('Thu 09:55'), busy.actor, busy.session);
    expect(devices.filter((d) => d.seen >= on('Thu 09:48'))).toHaveLength(2);
    await signOutThere(at('Thu 09:56'), busy.actor, { allBut: busy.session });
  });
  it('changes its password only for who knows it, and stays signed in only here', async () => {
    const here = await petra('Thu 10:00');
    const there = await petra('Thu 10:00');
    const change = (password: string, next: string) =>
      changePassword(at('Thu 10:01'), here.actor, {
        password,
        next,
        network: null,
        since: on('Thu 10:00'),
        session: here.session,
      });
    expect(await change('wrong', 'the ferry waits for no one')).toMatchObject({
      failure: { code: 'wrong-password' },
    });
    expect(await change('reeds bend and do not break', 'short')).toMatchObject({
      failure: { why: 'too-short' },
    });
    expect(await change('reeds bend and do not break', 'reeds bend and do not break')).toEqual({
      ok: true,
      value: null,
    });
    expect(await findSession(db, there.token)).toBeNull();
    expect(await findSession(db, here.token)).not.toBeNull();
    await post(db, on('Thu 10:02'));
  });
  it('moves to another address when that one confirms it, and the old one is told', async () => {
    const { actor } = await petra('Thu 11:00');
    const ask = (email: string) =>
      askForAddress(at('Thu 11:00'), actor, {
        email,
        password: 'reeds bend and do not break',
        network: null,
        since: on('Thu 11:00'),
      });
    expect(await ask('petra@new.example')).toEqual({ ok: true, value: null });
    const [mail] = await post(db, on('Thu 11:01'));
    expect(mail?.to.address).toBe('petra@new.example');
    expect(await confirmAddress(at('Thu 12:00'), keyIn(mail))).toMatchObject({
      value: { email: 'petra@new.example' },
    });
    expect((await post(db, on('Thu 12:01'))).map((m) => m.to.address)).toEqual(['Petra@x.example']);
    // Somebody else's address is not taken over.
    expect(await ask(`${world.people.imani.id}@tidewell.example`)).toEqual({ ok: true, value: null });
    const taken = keyIn((await post(db, on('Thu 12:02')))[0]);
    expect(await confirmAddress(at('Thu 12:03'), taken)).toMatchObject({
      failure: { code: 'address-taken' },
    });
    expect(await ask('petra@x.example')).toMatchObject({ ok: true });
    await confirmAddress(at('Thu 12:05'), keyIn((await post(db, on('Thu 12:04')))[0]));
    await post(db, on('Thu 12:06'));
  });
  it('ends with the password; its posts stay, and a steward can open it again', async () => {
    const { actor, token } = await petra('Fri 09:00');
    const end = (password: string) =>
      endOwnAccount(at('Fri 09:01'), actor, { password, network: null, since: on('Fri 09:00') });
    expect(await end('guess')).toMatchObject({ failure: { code: 'wrong-password' } });
    expect(await end('reeds bend and do not break')).toEqual({ ok: true, value: null });
    expect(await findSession(db, token)).toBeNull();
    expect(
      await signIn(at('Fri 09:02'), trying('petra@x.example', 'reeds bend and do not break')),
    ).toMatchObject({
      failure: { code: 'wrong-credentials' },
    });
    await askForPassword(at('Fri 09:02'), 'petra@x.example', null);
    expect(await post(db, on('Fri 09:03'))).toEqual([]);
    expect(await actOnPerson(at('Fri 09:03'), steward, actor.id, { act: 'reopen' })).toEqual({
      ok: true,
      value: null,
    });
    expect(
      await signIn(at('Fri 09:04'), trying('petra@x.example', 'reeds bend and do not break')),
    ).toMatchObject({ ok: true });
  });
});

describe('a course’s code', () => {
  it('lets in at once or asks, however it is typed, and opens nothing once it is another', async () => {
    const { rafi, stranger } = world.people;
    const made = await makeCourse(at('Mon 13:00'), steward, {
      code: 'BIO 1',
      term: '',
      title: 'Bees',
      timeZone: 'UTC',
    });
    if (!made.ok) throw new Error();
    const course = made.value.course;
    const code = async (approval: boolean) => {
      await actOnCourse(at('Mon 13:00'), steward, course, { act: 'code', approval });
      const page = await coursePage(at('Mon 13:00'), course);
      return page.ok ? (page.value.code?.code ?? '') : '';
    };
    const open = await code(false);
    expect(open).toMatch(/^[a-z2-9]{4}(-[a-z2-9]{4}){2}$/u);
    expect(
      await joinByCode(at('Mon 13:01'), rafi, ` ${open.toUpperCase().replace(/-/gu, ' ')}`, null),
    ).toMatchObject({
      value: { code: 'joined', course: 'BIO 1' },
    });
    expect(await joinByCode(at('Mon 13:02'), rafi, open, null)).toMatchObject({
      value: { code: 'there-already' },
    });
    const asking = await code(true);
    expect(await joinByCode(at('Mon 13:03'), stranger, open, null)).toMatchObject({
      failure: { code: 'no-such-code' },
    });
    expect(await joinByCode(at('Mon 13:03'), stranger, asking, null)).toMatchObject({
      value: { code: 'asked' },
    });
    const page = await coursePage(at('Mon 13:04'), course);
    expect(page.ok && page.value.requests.map((r) => r.name)).toEqual(['Leila Fenwick']);
    expect(page.ok && page.value.people.map((p) => p.name)).toEqual(['Rafi Castellan']);
    await actOnCourse(at('Mon 13:05'), steward, course, { act: 'let-in', person: stranger.id });
    const after = await coursePage(at('Mon 13:06'), course);
    expect(after.ok && after.value.people.map((p) => p.name)).toEqual(['Leila Fenwick', 'Rafi Castellan']);
    expect(await leaveCourse({ ...at('Mon 13:07'), files: none }, rafi, courseId(course))).toEqual({
      ok: true,
      value: null,
    });
    await actOnCourse(at('Mon 13:08'), steward, course, { act: 'stop-code' });
    expect(await joinByCode(at('Mon 13:09'), rafi, asking, null)).toMatchObject({
      failure: { code: 'no-such-code' },
    });
    await post(db, on('Mon 13:10'));
  });
  it('is not guessed: after a few tries there is an hour to wait', async () => {
    for (let i = 0; i < 5; i += 1)
      await joinByCode(at('Sun 10:00'), world.people.kwame, 'aaaa-bbbb-cccc', '198.51.100.3');
    expect(
      await joinByCode(at('Sun 10:01'), world.people.kwame, 'aaaa-bbbb-cccc', '198.51.100.3'),
    ).toMatchObject({
      failure: { code: 'too-many-tries' },
    });
  });
});

describe('a steward', () => {
  it('is somebody else’s to make, and the last one stays', async () => {
    const id = steward.id;
    expect(await actOnPerson(at('Fri 10:00'), steward, id, { act: 'no-steward' })).toMatchObject({
      failure: { code: 'last-steward' },
    });
    expect(await actOnPerson(at('Fri 10:00'), steward, id, { act: 'end' })).toMatchObject({
      failure: { code: 'last-steward' },
    });
    const { noor } = world.people;
    expect(await enterAsSteward(at('Fri 10:00'), noor)).toMatchObject({ ok: false });
    await actOnPerson(at('Fri 10:01'), steward, noor.id, { act: 'steward' });
    const door = await enterAsSteward(at('Fri 10:02'), noor);
    if (!door.ok) throw new Error();
    // Two who take it from each other at once: one stays.
    const both = await Promise.all([
      actOnPerson(at('Fri 10:03'), door.value, id, { act: 'no-steward' }),
      actOnPerson(at('Fri 10:03'), steward, noor.id, { act: 'no-steward' }),
    ]);
    expect(both.filter((b) => b.ok)).toHaveLength(1);
    await db('people').where({ id }).update({ steward: true });
    await db('people').where({ id: noor.id }).update({ steward: false });
  });
  it('changes roles, and takes nobody out who has shared', async () => {
    const { jun, imani } = world.people;
    const act = (id: string, role: 'assistant' | 'none' | 'student') =>
      actOnPerson(at('Fri 11:00'), steward, id, { act: 'role', course: world.course, role });
    expect(await act(jun.id, 'assistant')).toEqual({ ok: true, value: null });
    expect(await act(jun.id, 'none')).toEqual({ ok: true, value: null });
    await shared(db, imani, OPEN, 'Tue 11:00', shareInput('Imani has shared this.'));
    expect(await act(imani.id, 'none')).toMatchObject({ failure: { code: 'has-shared' } });
    expect(await act(personId('00000000-0000-4000-8000-000000000000'), 'student')).toMatchObject({
      failure: { code: 'not-found' },
    });
  });
  it('finds people by pieces of their names and addresses, and no pattern is a piece', async () => {
    const found = async (words: string) =>
      (await peoplePage(at('Fri 11:00'), { words, page: 1 })).people.map((p) => p.name);
    expect(await found('oko')).toEqual(['Imani Okoro']);
    expect(await found('IMANI oko')).toEqual(['Imani Okoro']);
    expect(await found('%')).toEqual([]);
    expect(await found('_')).toEqual([]);
  });
  it('leaves a log that nobody changes', async () => {
    const log = await logPage(at('Fri 12:00'), null);
    expect(log.map((l) => l.act)).toEqual(
      expect.arrayContaining(['first-run', 'invited', 'role-given', 'course-made']),
    );
    await expect(db('steward_log').update({ act: 'nothing' })).rejects.toThrow(/logged for good/u);
    await expect(db('steward_log').delete()).rejects.toThrow(/logged for good/u);
  });
  it('never gets a word that somebody wrote', async () => {
    const page = await personPage(at('Fri 12:00'), steward, world.people.imani.id);
    expect(JSON.stringify(page)).not.toContain('Imani has shared this');
  });
});

describe('everything of one’s own', () => {
  it('is one archive that reads by itself, with every version, and nothing of anybody else', async () => {
    const { imani, noor } = world.people;
    await shared(db, noor, OPEN, 'Tue 12:00', shareInput('What Noor wrote is Noor’s.'));
    await db('mails').delete();
    const pieces: Uint8Array[] = [];
    for await (const piece of ownArchive({ ...at('Fri 12:00'), files: none }, imani)) pieces.push(piece);
    const files = unzipSync(Buffer.concat(pieces));
    const text = (path: string) => strFromU8(files[path] ?? new Uint8Array());
    expect(Object.keys(files).sort()).toEqual([
      'data/account.json',
      'data/files.json',
      'data/hands raised.json',
      'data/how notices come.json',
      'data/keys of receipts.json',
      'data/margin notes.json',
      'data/marks.json',
      'data/notes to self.json',
      'data/own courses.json',
      'data/saved answers.json',
      'data/slots taken.json',
      'data/sources.json',
      'index.html',
      'receipts/001-GEO-115-Open.json',
      'shared/001-GEO-115-Open.md',
    ]);
    expect(text('shared/001-GEO-115-Open.md')).toBe('Imani has shared this.\n');
    expect(text('index.html')).toContain('Imani has shared this.');
    expect(Object.keys(files).map(text).join('\n')).not.toContain('Noor wrote');
  });
});

describe('what is over', () => {
  it('is taken away: sessions, keys and rosters', async () => {
    const { token } = isIn(
      await signIn(at('Sun 12:00'), trying('petra@x.example', 'reeds bend and do not break')),
    );
    await sweepPeople({ db, now: later(on('Sun 12:00'), 13 * 24) });
    expect(await findSession(db, token)).not.toBeNull();
    await sweepPeople({ db, now: later(on('Sun 12:00'), 14 * 24 + 1) });
    expect(await findSession(db, token)).toBeNull();
    await sweepPeople({ db, now: later(on('Sun 12:00'), 60 * 24) });
    expect(await db('one_time_keys').count('* as n').first()).toEqual({ n: 0 });
  });
});
