import type { Knex } from 'knex';
import { Secret, TOTP } from 'otpauth';
import type { Actor } from '@/server/deps';
import { acceptInvitation } from '@/server/people/accept';
import { accountPage, changePassword } from '@/server/people/account';
import { invite } from '@/server/people/invite';
import { sweepPeople } from '@/server/people/sweep';
import { boxOf } from '@/server/secrets/box';
import { findSession, signIn } from '@/server/sessions/sessions';
import { comeBack, goToSignOn } from '@/server/sign-on/enter';
import type { Claims, SignOn } from '@/server/sign-on/port';
import { changeCollege } from '@/server/stewards/college';
import type { Steward } from '@/server/stewards/enter';
import { actOnPerson } from '@/server/stewards/people';
import {
  askForNewPasskey,
  askForPasskey,
  dropPasskey,
  keepPasskey,
  signInByPasskey,
} from '@/server/ways-in/passkeys';
import {
  beginSecondFactor,
  confirmOwnFactor,
  endSecondFactor,
  proposedSecondFactor,
  renewRecoveryCodes,
} from '@/server/ways-in/second-factor';
import { takeSecondStep } from '@/server/ways-in/second-step';
import { begun, keyIn, post } from './college';
import { box, deps, on, smallCourse, triedBefore } from './world';

const PASSWORD = 'a heron stands in the shallow bend';
let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let steward: Steward;
let edda: Actor;
const EMAIL = 'edda@x.example';

beforeAll(async () => {
  world = await smallCourse('ways_in');
  db = world.db;
  steward = await begun(db);
  edda = await invited(EMAIL, 'Edda Lorne');
});
beforeEach(() => triedBefore(db, 60));
afterAll(() => db.destroy());

const from = { network: '192.0.2.1', device: null, agent: 'a test' };
const enter = (when: string, email = EMAIL, password = PASSWORD) =>
  signIn(deps(db, when), { email, password, ...from, demo: false });

async function whose(token: string): Promise<Actor> {
  const session = await findSession(db, token);
  if (!session) throw new Error('nobody is signed in');
  const { person: id, name, timeZone } = session;
  return { id, name, timeZone, previousVisit: null };
}

/** Somebody who was invited and came. */
async function invited(email: string, name: string): Promise<Actor> {
  await invite(deps(db, 'Mon 07:00'), steward, {
    name,
    email,
    as: { course: world.course, role: 'student' },
  });
  const [mail] = await post(db, on('Mon 07:01'));
  const said = { name, password: PASSWORD, timeZone: 'UTC' };
  const done = await acceptInvitation(deps(db, 'Mon 07:02'), keyIn(mail), said, '');
  if (!done.ok || !done.value) throw new Error('nobody came');
  return whose(done.value.token);
}

const proof = (when: string, password = PASSWORD) => ({ password, network: null, since: on(when) });
/** The wall clock is another than the course's. */
const WALL = Date.UTC(2030, 0, 1);
const timed = (when: string, wall = WALL) => ({ ...deps(db, when), real: wall });
const codeOf = (secret: string, wall = WALL) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: wall });

describe('a second factor', () => {
  let secret = '';
  let codes: string[] = [];
  const half = async (when: string) => {
    const done = await enter(when);
    return done.ok && 'second' in done.value ? done.value.second : '';
  };
  const step = (when: string, token: string, shown: string, wall = WALL, device: string | null = null) =>
    takeSecondStep(timed(when, wall), token, shown, { ...from, device });

  it('is proposed to whoever knows the password, and asked for once a code of it was right', async () => {
    expect(await beginSecondFactor(deps(db, 'Mon 08:00'), edda, proof('Mon 07:59', 'guess'))).toMatchObject({
      failure: { code: 'wrong-password' },
    });
    expect(await beginSecondFactor(deps(db, 'Mon 08:00'), edda, proof('Mon 07:59'))).toMatchObject({
      ok: true,
    });
    secret = (await proposedSecondFactor(deps(db, 'Mon 08:00'), edda))?.secret ?? '';
    expect(secret).toMatch(/^[A-Z2-7]{32}$/u);
    // Until then the password alone is enough.
    expect(await enter('Mon 08:01')).toMatchObject({ value: { token: expect.any(String) } });
    const wrong = { code: '000000', network: null };
    expect(await confirmOwnFactor(timed('Mon 08:02'), edda, wrong)).toMatchObject({
      failure: { code: 'wrong-code' },
    });
    const done = await confirmOwnFactor(timed('Mon 08:02'), edda, { code: codeOf(secret), network: null });
    codes = done.ok ? done.value.codes : [];
    expect(new Set(codes).size).toBe(10);
    expect((await post(db, on('Mon 08:03'))).map((m) => m.subject)).toEqual([
      'Your account asks for a second factor now',
    ]);
    expect(await proposedSecondFactor(deps(db, 'Mon 08:04'), edda)).toBeNull();
  });

  it('stands between the password and the door', async () => {
    const token = await half('Mon 09:00');
    expect(token).toHaveLength(43);
    expect(await findSession(db, token)).toBeNull();
    expect(await step('Mon 09:01', token, '123456')).toMatchObject({ failure: { code: 'wrong-code' } });
    const later = WALL + 60_000;
    const done = await step('Mon 09:01', token, codeOf(secret, later), later);
    expect(done.ok && (await whose(done.value.token)).id).toBe(edda.id);
    // What was taken is of no use again: neither the half way nor the code.
    expect(await step('Mon 09:02', token, codeOf(secret, later), later)).toMatchObject({
      failure: { code: 'over' },
    });
    expect(await step('Mon 09:02', await half('Mon 09:02'), codeOf(secret, later), later)).toMatchObject({
      failure: { code: 'wrong-code' },
    });
    // An earlier one neither, though it is still in its window.
    expect(
      await step('Mon 09:02', await half('Mon 09:02'), codeOf(secret, later - 30_000), later),
    ).toMatchObject({ failure: { code: 'wrong-code' } });
    expect(await step('Mon 09:30', await half('Mon 09:10'), '123456')).toMatchObject({
      failure: { code: 'over' },
    });
  });

  it('takes one code once where two come at the same moment', async () => {
    const at = WALL + 120_000;
    const tokens = [await half('Mon 10:00'), await half('Mon 10:00')];
    const both = await Promise.all(tokens.map((token) => step('Mon 10:01', token, codeOf(secret, at), at)));
    expect(both.map((d) => d.ok).sort()).toEqual([false, true]);
  });

  it('is taken the place of by a recovery code, which works once and is told by mail', async () => {
    const [code = ''] = codes;
    const spelled = ` ${code.toUpperCase().replace(/-/gu, ' ')} `;
    expect(await step('Mon 11:00', await half('Mon 11:00'), spelled)).toMatchObject({ ok: true });
    const [mail] = await post(db, on('Mon 11:01'));
    expect(mail).toMatchObject({
      subject: 'A recovery code was used',
      text: expect.stringContaining('9 are left'),
    });
    expect(await step('Mon 11:02', await half('Mon 11:02'), code)).toMatchObject({
      failure: { code: 'wrong-code' },
    });
    const renewed = await renewRecoveryCodes(deps(db, 'Mon 11:05'), edda, proof('Mon 11:00'));
    const old = codes[1] ?? '';
    codes = renewed.ok ? renewed.value.codes : [];
    expect(await step('Mon 11:06', await half('Mon 11:06'), old)).toMatchObject({
      failure: { code: 'wrong-code' },
    });
  });

  it('is not guessed: tries are counted, and on a known device by themselves', async () => {
    const at = WALL + 900_000;
    const guess = async () => step('Mon 12:00', await half('Mon 12:00'), '000000', at);
    const said: string[] = [];
    for (let i = 0; i < 25; i += 1) {
      const done = await guess();
      said.push(done.ok ? 'in' : done.failure.code);
    }
    expect(said.slice(0, 20).every((s) => s === 'wrong-code')).toBe(true);
    expect(said.at(-1)).toBe('too-many-tries');
    const device = 'd'.repeat(43);
    const { createHash } = await import('node:crypto');
    await db('known_devices').insert({
      person_id: edda.id,
      token_hash: createHash('sha256').update(device).digest(),
      known_since: new Date(on('Mon 07:00')),
    });
    expect(await step('Mon 12:01', await half('Mon 12:01'), codeOf(secret, at), at, device)).toMatchObject({
      ok: true,
    });
  });

  it('lies in the database sealed, and its codes as hashes', async () => {
    const rows = [await db('second_factors'), await db('recovery_codes')].flat();
    const dump = JSON.stringify(rows, (_, value: unknown) =>
      Buffer.isBuffer(value) ? value.toString('latin1') : value,
    );
    for (const word of [secret, ...codes, ...codes.map((c) => c.replace(/-/gu, ''))])
      expect(dump).not.toContain(word);
    // With another secret of the installation nobody gets in by a code, and a recovery code still works.
    const elsewhere = { ...timed('Mon 13:00'), box: boxOf(Buffer.alloc(32, 9)) };
    const shown = codeOf(secret, WALL);
    expect(await takeSecondStep(elsewhere, await half('Mon 13:00'), shown, from)).toMatchObject({
      failure: { code: 'wrong-code' },
    });
    expect(await takeSecondStep(elsewhere, await half('Mon 13:00'), codes[0] ?? '', from)).toMatchObject({
      ok: true,
    });
  });

  it('goes with the password, or by a steward, who is logged; whoever had it is told', async () => {
    await post(db, on('Mon 14:00'));
    expect(await endSecondFactor(deps(db, 'Mon 14:01'), edda, proof('Mon 14:00', 'guess'))).toMatchObject({
      ok: false,
    });
    expect(await actOnPerson(deps(db, 'Mon 14:05'), steward, edda.id, { act: 'no-second' })).toMatchObject({
      ok: true,
    });
    expect(await enter('Mon 14:10')).toMatchObject({ value: { token: expect.any(String) } });
    expect((await post(db, on('Mon 14:11'))).map((m) => m.subject)).toEqual([
      'Your account asks for no second factor any more',
    ]);
    expect(await db('steward_log').where({ act: 'second-factor-taken', person_id: edda.id })).toHaveLength(1);
  });
});

describe('the college’s sign-on', () => {
  const claims = (over: Partial<Claims>): Claims => ({
    issuer: 'https://id.tidewell.example',
    subject: 's-1',
    email: null,
    verified: true,
    name: null,
    zone: null,
    ...over,
  });
  const says = (answer: Claims | null | Error): SignOn => ({
    name: 'Tidewell sign-on',
    ask: (back) =>
      Promise.resolve({
        address: `https://id.tidewell.example/?${back}`,
        asked: { state: 's', nonce: 'n', verifier: 'v' },
      }),
    answer: () => (answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer)),
  });
  async function come(answer: Claims | null | Error, when = 'Tue 08:00', demo = false) {
    const signOn = says(answer);
    const gone = await goToSignOn(deps(db, when), signOn, {
      back: 'https://x',
      to: '/calendar',
      network: null,
    });
    const url = new URL('https://x/?code=c&state=s');
    const token = gone.ok ? gone.value.token : null;
    return comeBack(deps(db, when), signOn, { token, url, from, demo });
  }
  const name = async (done: Awaited<ReturnType<typeof come>>) =>
    done.ok ? (await whose(done.value.entry.token)).name : done.failure.code;
  const college = (signOnNew: 'yes' | '', signOn: 'yes' | '' = 'yes') =>
    changeCollege(deps(db, 'Tue 07:00'), steward, {
      name: 'Tidewell Open College',
      timeZone: 'Europe/London',
      telephone: '',
      mail: '',
      hours: '',
      signOn,
      signOnNew,
      personMb: 500,
      courseMb: 20_480,
    });

  it('lets in whoever has an account under an address it answers for, and knows them by their subject afterwards', async () => {
    const done = await come(claims({ subject: 'edda', email: 'EDDA@x.example' }));
    expect(await name(done)).toBe('Edda Lorne');
    expect(done.ok && done.value.to).toBe('/calendar');
    // Another address there, or none: it is the same person.
    expect(await name(await come(claims({ subject: 'edda', email: 'e.lorne@y.example' })))).toBe(
      'Edda Lorne',
    );
    expect(await name(await come(claims({ subject: 'edda' })))).toBe('Edda Lorne');
    const page = await accountPage(deps(db, 'Tue 08:05'), edda, '');
    expect(page).toMatchObject({ signOn: true, hasPassword: true });
  });

  it('lets nobody in by an address it does not answer for, or that is another subject’s', async () => {
    const email = EMAIL;
    expect(await name(await come(claims({ subject: 'x', email, verified: false })))).toBe('no-address');
    expect(await name(await come(claims({ subject: 'x', email })))).toBe('linked-otherwise');
    expect(await name(await come(claims({ subject: 'x', email: 'no address' })))).toBe('no-address');
    expect(await name(await come(null))).toBe('refused-there');
    expect(await name(await come(new Error('silent')))).toBe('sign-on-silent');
  });

  it('opens what somebody is invited to, without a password', async () => {
    await invite(deps(db, 'Tue 09:00'), steward, {
      name: 'As Invited',
      email: 'tamsin@x.example',
      as: { course: world.course, role: 'assistant' },
    });
    const done = await come(
      claims({ subject: 't', email: 'tamsin@x.example', name: 'Tamsin Roe', zone: 'Asia/Tokyo' }),
    );
    expect(await name(done)).toBe('Tamsin Roe');
    const actor = done.ok ? await whose(done.value.entry.token) : edda;
    expect(actor.timeZone).toBe('Asia/Tokyo');
    expect(await db('enrolments').where({ person_id: actor.id })).toMatchObject([{ role: 'assistant' }]);
    // No password signs in where there is none; one is set within ten minutes of coming.
    expect(await enter('Tue 09:05', 'tamsin@x.example', '')).toMatchObject({ ok: false });
    const set = (when: string) =>
      changePassword(deps(db, when), actor, {
        ...proof('Tue 08:00', ''),
        next: 'reeds bend and do not break',
        session: '00',
      });
    expect(await set('Tue 08:11')).toMatchObject({ failure: { code: 'sign-in-again' } });
    expect(await set('Tue 08:10')).toMatchObject({ ok: true });
    expect(await enter('Tue 09:06', 'tamsin@x.example', 'reeds bend and do not break')).toMatchObject({
      ok: true,
    });
  });

  it('makes accounts for people nobody invited only where stewards want that, and none at all where it is off', async () => {
    const new_ = claims({ subject: 'n', email: 'new@x.example', name: '  ' });
    expect(await name(await come(new_))).toBe('not-invited');
    await college('yes');
    expect(await name(await come(new_))).toBe('new');
    await college('', '');
    expect(await name(await come(new_))).toBe('no-sign-on');
    await college('');
    expect(await name(await come(new_))).toBe('new');
  });

  it('answers each going once, and within a quarter of an hour; the demo’s people only in the demo', async () => {
    const signOn = says(claims({ subject: 'edda' }));
    const gone = await goToSignOn(deps(db, 'Tue 10:00'), signOn, { back: 'x', to: '/', network: null });
    const token = gone.ok ? gone.value.token : null;
    const back = (when: string, with_: string | null) =>
      comeBack(deps(db, when), signOn, { token: with_, url: new URL('https://x'), from, demo: false });
    expect(await name(await back('Tue 10:16', token))).toBe('over');
    expect(await name(await back('Tue 10:05', token))).toBe('Edda Lorne');
    expect(await name(await back('Tue 10:05', token))).toBe('over');
    expect(await name(await back('Tue 10:05', null))).toBe('over');
    await db('people').where({ id: world.people.noor.id }).update({ demo: true });
    const noor = claims({ subject: 'noor', email: `${world.people.noor.id}@tidewell.example` });
    expect(await name(await come(noor))).toBe('ended');
    expect(await name(await come(noor, 'Tue 08:00', true))).toBe('Noor Vasquez');
    expect(await name(await come(noor))).toBe('ended');
  });

  it('lets nobody into an account that was ended', async () => {
    await actOnPerson(deps(db, 'Tue 11:00'), steward, edda.id, { act: 'end' });
    expect(await name(await come(claims({ subject: 'edda' })))).toBe('ended');
    await actOnPerson(deps(db, 'Tue 11:01'), steward, edda.id, { act: 'reopen' });
  });
});

describe('a passkey', () => {
  const site = { origin: 'https://pulpit.tidewell.example' };
  const response = {
    id: 'AAAA',
    rawId: 'AAAA',
    type: 'public-key' as const,
    clientExtensionResults: {},
    response: { clientDataJSON: 'e30', authenticatorData: 'AAAA', signature: 'AAAA' },
  };

  it('is asked for by whoever knows the password, for this address alone, and the answer fits one asking', async () => {
    expect(
      await askForNewPasskey(deps(db, 'Wed 08:00'), edda, site, proof('Wed 07:00', 'guess')),
    ).toMatchObject({ failure: { code: 'wrong-password' } });
    const asked = await askForNewPasskey(deps(db, 'Wed 08:00'), edda, site, proof('Wed 07:00'));
    if (!asked.ok) throw new Error(asked.failure.code);
    expect(asked.value.options).toMatchObject({
      rp: { id: 'pulpit.tidewell.example', name: 'Tidewell Open College' },
      user: { name: EMAIL, displayName: 'Edda Lorne' },
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    const made = {
      name: 'x',
      response: { ...response, response: { clientDataJSON: 'e30', attestationObject: 'AAAA' } },
    };
    const keep = (token: string | null, who = edda) =>
      keepPasskey(deps(db, 'Wed 08:01'), who, site, token, made);
    expect(await keep(asked.value.token)).toMatchObject({ failure: { code: 'not-taken' } });
    expect(await keep(asked.value.token)).toMatchObject({ failure: { code: 'over' } });
    expect(await keep(null)).toMatchObject({ failure: { code: 'over' } });
  });

  it('that nobody has, or that proves nothing, lets nobody in', async () => {
    const asked = await askForPasskey(deps(db, 'Wed 09:00'), site);
    expect(asked.options).toMatchObject({ rpId: 'pulpit.tidewell.example', userVerification: 'required' });
    // Nobody learns from it who has one.
    expect(asked.options.allowCredentials ?? []).toEqual([]);
    const come = (token: string | null) =>
      signInByPasskey(deps(db, 'Wed 09:01'), site, token, response, from);
    expect(await come(asked.token)).toMatchObject({ failure: { code: 'not-taken' } });
    expect(await come(asked.token)).toMatchObject({ failure: { code: 'over' } });
    await db('passkeys').insert({
      id: 'AAAA',
      person_id: edda.id,
      public_key: Buffer.from('00', 'hex'),
      counter: 0,
      transports: [],
      name: 'An old telephone',
      made_at: new Date(on('Wed 08:00')),
    });
    expect(await come((await askForPasskey(deps(db, 'Wed 09:00'), site)).token)).toMatchObject({
      failure: { code: 'not-taken' },
    });
  });

  it('is taken away by its owner, but not where it is the only way in', async () => {
    expect(await dropPasskey(deps(db, 'Wed 10:00'), world.people.imani, 'AAAA')).toMatchObject({
      failure: { code: 'not-found' },
    });
    await db('sign_on_subjects').where({ person_id: edda.id }).delete();
    await db('people').where({ id: edda.id }).update({ password_hash: null });
    expect(await dropPasskey(deps(db, 'Wed 10:00'), edda, 'AAAA')).toMatchObject({
      failure: { code: 'last-way' },
    });
    await db('sign_on_subjects').insert({
      issuer: 'i',
      subject: 's',
      person_id: edda.id,
      linked_at: new Date(on('Wed 08:00')),
    });
    await post(db, on('Wed 10:00'));
    expect(await dropPasskey(deps(db, 'Wed 10:00'), edda, 'AAAA')).toMatchObject({ ok: true });
    expect((await post(db, on('Wed 10:01'))).map((m) => m.subject)).toEqual([
      'A passkey was taken from your account',
    ]);
  });
});

it('what nobody finished is swept', async () => {
  await askForPasskey(deps(db, 'Thu 08:00'), { origin: 'https://x.example' });
  await sweepPeople({ db, now: on('Fri 08:00') });
  expect(await db('half_ways')).toEqual([]);
  expect(box.open('second factor', 'x', Buffer.alloc(40))).toBeNull();
});
