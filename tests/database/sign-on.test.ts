import { accountPage, changePassword } from '@/server/people/account';
import { invite } from '@/server/people/invite';
import { comeBack, goToSignOn } from '@/server/sign-on/enter';
import type { Claims, SignOn } from '@/server/sign-on/port';
import { changeCollege } from '@/server/stewards/college';
import { actOnPerson } from '@/server/stewards/people';
import { deps } from './world';
import { waysIn, db, world, steward, edda, EMAIL, from, enter, whose, proof } from './ways-in';

waysIn('sign_on');

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
