import type { Knex } from 'knex';
import { postId } from '@/core/ids';
import { issueReceipt, type ReceiptFile } from '@/server/receipts/issue';
import { rotateKey } from '@/server/receipts/keys';
import { boxOf } from '@/server/secrets/box';
import { verifyReceipt } from '@/server/receipts/verify';
import { deps, OPEN, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('receipts');
  db = world.db;
});
afterAll(() => db.destroy());

describe('a receipt', () => {
  let file: ReceiptFile;
  let post: number;
  const verify = (over: unknown) => verifyReceipt(db, JSON.stringify(over));
  beforeAll(async () => {
    const { imani } = world.people;
    ({ post } = await shared(
      db,
      imani,
      OPEN,
      'Thu 23:00',
      shareInput('My very own words.', { title: 'Mine' }),
    ));
    const issued = await issueReceipt(deps(db, 'Fri 10:00'), imani, postId(post), null);
    if (!issued.ok) throw new Error('no receipt');
    ({ file } = issued.value);
  });

  it('says who, what, where, when, and how long before the deadline', () => {
    expect(file.receipt).toMatchObject({
      author: { name: 'Imani Okoro' },
      course: { code: 'GEO 115' },
      discussion: { slug: OPEN },
      post: { number: post, version: 1, kind: 'response', ownWords: 4 },
      sharedAt: '2026-10-15T23:00:00.000Z',
      deadline: '2026-10-15T23:59:59.999Z',
      marginSeconds: 3_600,
    });
  });
  it('verifies as it was issued, for anybody', async () => {
    expect(await verify(file)).toMatchObject({ troubles: [], contentChecked: true });
  });
  it.each([
    [
      'the time',
      (f: ReceiptFile) => (f.receipt.sharedAt = '2026-10-14T00:00:00.000Z'),
      'changed',
      'sharedAt',
    ],
    ['the name', (f: ReceiptFile) => (f.receipt.author.name = 'Noor Vasquez'), 'changed', 'author.name'],
    ['the margin', (f: ReceiptFile) => (f.receipt.marginSeconds = 99_999), 'changed', 'marginSeconds'],
    ['a check', (f: ReceiptFile) => (f.receipt.checks[0]!.have = 400), 'changed', 'checks.0.have'],
    [
      'the fingerprint',
      (f: ReceiptFile) => (f.receipt.contentSha256 = 'a'.repeat(64)),
      'changed',
      'contentSha256',
    ],
    ['the text', (f: ReceiptFile) => (f.content.doc = text('My better words.')), 'content', null],
    ['its title', (f: ReceiptFile) => (f.content.title = 'Yours'), 'content', null],
    [
      'the signature',
      (f: ReceiptFile) => (f.jws.signature = `A${f.jws.signature.slice(1).replace(/^./u, '_')}`),
      'signature',
      null,
    ],
    [
      'the key',
      (f: ReceiptFile) =>
        (f.jws.protected = Buffer.from('{"alg":"EdDSA","kid":"nobodyskey"}').toString('base64url')),
      'unknown-key',
      null,
    ],
    [
      'the algorithm',
      (f: ReceiptFile) => (f.jws.protected = Buffer.from('{"alg":"none"}').toString('base64url')),
      'unknown-key',
      null,
    ],
  ])('with %s changed says exactly what fails', async (_what, change, code, field) => {
    const forged = structuredClone(file);
    change(forged);
    const { troubles } = await verify(forged);
    expect(troubles.map((t) => t.code)).toContain(code);
    if (field) expect(troubles).toEqual([{ code, fields: [expect.objectContaining({ field })] }]);
  });
  it('with its signed part changed does not verify, whatever else is made to fit', async () => {
    const forged = structuredClone(file);
    forged.receipt.sharedAt = '2026-10-14T00:00:00.000Z';
    forged.jws.payload = Buffer.from(JSON.stringify(forged.receipt)).toString('base64url');
    expect((await verify(forged)).troubles.map((t) => t.code)).toContain('signature');
  });
  it('signed with a key that was replaced still verifies, and the next is signed with the new one', async () => {
    const next = await rotateKey(deps(db, 'Sat 10:00'));
    expect((await verify(file)).troubles).toEqual([]);
    const again = await issueReceipt(deps(db, 'Sat 11:00'), world.people.imani, postId(post), 1);
    const header = again.ok
      ? (JSON.parse(Buffer.from(again.value.file.jws.protected, 'base64url').toString()) as { kid: string })
      : null;
    expect(header?.kid).toBe(next.id);
    expect(again.ok && (await verify(again.value.file)).troubles).toEqual([]);
    expect(await db('signing_keys').whereNotNull('sealed_private').count('* as n')).toEqual([{ n: 1 }]);
  });
  it('is signed with a new key where what sealed the old one is gone, and what was signed still verifies', async () => {
    const elsewhere = { ...deps(db, 'Sat 12:00'), box: boxOf(Buffer.alloc(32, 9)) };
    const again = await issueReceipt(elsewhere, world.people.imani, postId(post), 1);
    expect(again.ok && (await verify(again.value.file)).troubles).toEqual([]);
    expect((await verify(file)).troubles).toEqual([]);
    const kept: { sealed_private: Buffer | null }[] = await db('signing_keys').select('sealed_private');
    for (const { sealed_private: sealed } of kept)
      expect(sealed?.toString('latin1') ?? '').not.toContain('"d"');
  });
  it('is given to its author only', async () => {
    for (const who of [world.people.noor, world.people.holt, world.people.stranger])
      expect((await issueReceipt(deps(db, 'Fri 10:00'), who, postId(post), null)).ok).toBe(false);
  });
  it.each(['', 'hello', '{}', '[]', '{"jws":1}', '{"jws":{"protected":"x","payload":"y","signature":"z"}}'])(
    '“%s” is none, and nothing breaks',
    async (said) => expect((await verifyReceipt(db, said)).troubles).not.toEqual([]),
  );
});
