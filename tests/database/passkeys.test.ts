import { sweepPeople } from '@/server/people/sweep';
import {
  askForNewPasskey,
  askForPasskey,
  dropPasskey,
  keepPasskey,
  signInByPasskey,
} from '@/server/ways-in/passkeys';
import { post } from './college';
import { box, deps, on } from './world';
import { waysIn, db, world, edda, EMAIL, from, proof } from './ways-in';

waysIn('passkeys');

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
