import { createECDH, randomBytes } from 'node:crypto';
import { createServer, type IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';
import ece from 'http_ece';
import { decodeJwt } from 'jose';
import type { Knex } from 'knex';
import { isPushService, listenOn } from '@/server/notices/devices';
import { keepUp } from '@/server/notices/keep-up';
import { push } from '@/server/notices/push';
import { vapidKeys } from '@/server/notices/push-keys';
import { boxOf } from '@/server/secrets/box';
import { markRead } from '@/server/discussions/reading';
import { announce } from '@/server/courses/announcements';
import { signOut } from '@/server/sessions/sessions';
import { openSession } from '@/db/queries/people';
import { hashOf, newToken } from '@/server/secrets/tokens';
import type { Actor } from '@/server/deps';
import { box, deps, on, OPEN, shared, shareInput, smallCourse } from './world';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let site = '';
let answers = 201;
const got: { path: string; headers: IncomingHttpHeaders; body: Buffer }[] = [];
/** A push service that keeps what it is sent, for a device that the tests have the keys of (RFC 8030). */
const service = createServer((request, response) => {
  const pieces: Buffer[] = [];
  request.on('data', (p: Buffer) => pieces.push(p));
  request.on('end', () => {
    got.push({ path: request.url ?? '', headers: request.headers, body: Buffer.concat(pieces) });
    response.writeHead(answers).end();
  });
});
beforeAll(async () => {
  world = await smallCourse('push');
  db = world.db;
  await new Promise<void>((ready) => service.listen(0, '127.0.0.1', ready));
  site = `http://127.0.0.1:${(service.address() as AddressInfo).port}`;
});
beforeEach(async () => {
  got.length = 0;
  answers = 201;
  await db('push_devices').delete();
});
afterAll(async () => {
  await new Promise<void>((closed) => service.close(() => closed()));
  await db.destroy();
});

/** A device of somebody's, in a session of theirs, that can open what is sealed for it (RFC 8291). */
async function device(who: Actor, path: string) {
  const token = newToken();
  await openSession(db, {
    tokenHash: hashOf(token),
    person: who.id,
    agent: 'a test',
    now: on('Mon 08:00'),
    expires: on('Sun 23:00'),
  });
  const keys = createECDH('prime256v1');
  keys.generateKeys();
  const auth = randomBytes(16);
  const done = await listenOn(deps(db, 'Tue 08:00'), who, hashOf(token).toString('hex'), [site], {
    endpoint: `${site}/${path}`,
    keys: { p256dh: keys.getPublicKey('base64url'), auth: auth.toString('base64url') },
  });
  expect(done.ok).toBe(true);
  const opened = (body: Buffer) =>
    JSON.parse(
      ece
        .decrypt(body, { version: 'aes128gcm', privateKey: keys, authSecret: auth.toString('base64url') })
        .toString(),
    );
  return { token, opened };
}

const SENDER = { site: 'https://pulpit.tidewell.example', contact: 'mailto:pulpit@tidewell.example' };
/** What is due goes to devices, as the jobs would do it. */
async function pushed(when: string) {
  await keepUp(deps(db, when));
  const jobs: { key: string }[] = await db('graphile_worker.jobs').where({ task_identifier: 'push' });
  for (const { key } of jobs) {
    await push({ db, now: on(when), box }, SENDER, key.replace('push ', ''));
    await db.raw(`select graphile_worker.remove_job(?)`, [key]);
  }
}
const replied = async (to: Actor, by: Actor, when: string) => {
  const { post } = await shared(db, to, OPEN, 'Tue 08:00', shareInput(`mine ${Math.random()}`));
  return (await shared(db, by, OPEN, when, shareInput('zygotic words', { kind: 'reply', parent: post })))
    .post;
};

it('a device hears what its owner is mailed, sealed for it, by name and without anybody’s words', async () => {
  const { imani, noor } = world.people;
  const { opened } = await device(imani, 'a');
  await replied(imani, noor, 'Tue 09:00');
  await pushed('Tue 09:01');
  expect(got).toHaveLength(1);
  expect(got[0]?.headers).toMatchObject({ 'content-encoding': 'aes128gcm', ttl: '86400' });
  expect(got[0]?.body.toString('latin1')).not.toContain('Noor');
  const told = opened(got[0]?.body ?? Buffer.alloc(0));
  expect(told).toMatchObject({
    title: 'Noor Vasquez replied to you',
    to: expect.stringMatching(/^\/notices\/\d+\/open$/u),
  });
  expect(JSON.stringify(told)).not.toContain('zygotic');
  const [, jwt = ''] = /t=([^,]+)/u.exec(String(got[0]?.headers.authorization)) ?? [];
  expect(decodeJwt(jwt)).toMatchObject({ aud: site, sub: SENDER.site });
});

it('not in quiet hours, and not what was seen until then', async () => {
  const { imani, rafi } = world.people;
  await device(imani, 'b');
  const post = await replied(imani, rafi, 'Tue 23:00');
  await pushed('Tue 23:10');
  expect(got).toEqual([]);
  await keepUp(deps(db, 'Wed 07:00'));
  await markRead(deps(db, 'Wed 07:00'), imani, OPEN, { posts: [post], read: true });
  await pushed('Wed 07:01');
  expect(got).toEqual([]);
});

it('one that its service does not know any more is forgotten; one that is away is tried again', async () => {
  const { jun, noor } = world.people;
  await device(jun, 'c');
  answers = 503;
  await replied(jun, noor, 'Tue 10:00');
  await expect(pushed('Tue 10:01')).rejects.toThrow('503');
  expect(await db('push_devices')).toHaveLength(1);
  answers = 410;
  await pushed('Tue 10:02');
  expect(await db('push_devices')).toHaveLength(0);
});

it('an announcement’s title is not shown on a locked screen', async () => {
  const { imani, holt } = world.people;
  const { opened } = await device(imani, 'd');
  await announce(deps(db, 'Tue 12:00'), holt, 'geo-115', {
    title: 'About your illness',
    body: 'x',
    people: [imani.id],
  });
  await pushed('Tue 12:01');
  expect(opened(got[0]?.body ?? Buffer.alloc(0)).title).toBe('An announcement');
});

it('where the secret of the installation was lost there are other keys, and devices are asked anew', async () => {
  const before = await vapidKeys({ db, box });
  expect(await vapidKeys({ db, box })).toEqual(before);
  await device(world.people.imani, 'g');
  const other = boxOf(Buffer.alloc(32, 9));
  const after = await vapidKeys({ db, box: other });
  expect(after?.public).not.toBe(before?.public);
  expect(await vapidKeys({ db, box: other })).toEqual(after);
  expect(await db('push_devices')).toEqual([]);
});

it('listens for whoever signed in last, only at push services, and no longer than the session', async () => {
  const { imani, noor } = world.people;
  const { token } = await device(imani, 'e');
  await device(noor, 'e');
  expect(await db('push_devices').pluck('person_id')).toEqual([noor.id]);
  await device(imani, 'f');
  await signOut(db, token);
  expect(await db('push_devices')).toHaveLength(2);
  await db('sessions').where({ person_id: imani.id }).delete();
  expect(await db('push_devices').pluck('person_id')).toEqual([noor.id]);
  const services = ['fcm.googleapis.com', 'push.services.mozilla.com', site];
  expect(
    ['https://fcm.googleapis.com/x', 'https://updates.push.services.mozilla.com/y', `${site}/z`].map((e) =>
      isPushService(e, services),
    ),
  ).toEqual([true, true, true]);
  expect(
    [
      'http://fcm.googleapis.com/x',
      'https://evilfcm.googleapis.com.example/x',
      'https://169.254.169.254/latest',
      'https://fcm.googleapis.com@127.0.0.1/',
      'http://127.0.0.1:5432/',
      'nothing',
    ].map((e) => isPushService(e, services)),
  ).toEqual([false, false, false, false, false, false]);
});
