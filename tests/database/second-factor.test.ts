import { boxOf } from '@/server/secrets/box';
import { findSession } from '@/server/sessions/sessions';
import { actOnPerson } from '@/server/stewards/people';
import {
  beginSecondFactor,
  confirmOwnFactor,
  endSecondFactor,
  proposedSecondFactor,
  renewRecoveryCodes,
} from '@/server/ways-in/second-factor';
import { takeSecondStep } from '@/server/ways-in/second-step';
import { post } from './college';
import { deps, on } from './world';
import { waysIn, db, steward, edda, from, enter, whose, proof, WALL, timed, codeOf } from './ways-in';

waysIn('second_factor');

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
      text: expect.stringMatching(/9\s+are left/u),
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
