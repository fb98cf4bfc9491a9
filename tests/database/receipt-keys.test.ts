import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { issueReceipt } from '@/server/receipts/issue';
import { keySet, rotateKey } from '@/server/receipts/keys';
import { jwcryptoVerifies } from '../fixtures/jwcrypto';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const folder = mkdtempSync(join(tmpdir(), 'receipt-'));
beforeAll(async () => {
  world = await smallCourse('receipt_keys');
  db = world.db;
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await db.destroy();
});

/** What every Ed25519 key begins with as other programs write it (RFC 8410, 4). */
const SPKI = Buffer.from('302a300506032b6570032100', 'hex');
const put = (name: string, bytes: Buffer | string) => {
  writeFileSync(join(folder, name), bytes);
  return join(folder, name);
};

/** Whether OpenSSL, which knows nothing of ours, finds that a signature is that of a key over a text. */
function opensslVerifies(jws: { protected: string; payload: string; signature: string }, x: string): boolean {
  const pem = Buffer.concat([SPKI, Buffer.from(x, 'base64url')]).toString('base64');
  const key = put('key.pem', `-----BEGIN PUBLIC KEY-----\n${pem}\n-----END PUBLIC KEY-----\n`);
  const text = put('text', `${jws.protected}.${jws.payload}`);
  const signature = put('signature', Buffer.from(jws.signature, 'base64url'));
  try {
    execFileSync(
      'openssl',
      ['pkeyutl', '-verify', '-pubin', '-inkey', key, '-rawin', '-in', text, '-sigfile', signature],
      { stdio: 'pipe' },
    );
    return true;
  } catch {
    return false;
  }
}

describe('the keys of receipts', () => {
  it('are published, and verify a receipt in a program that is not ours, also after another key signs', async () => {
    const { post } = await shared(
      db,
      world.people.imani,
      OPEN,
      'Tue 10:00',
      shareInput('The levee was rebuilt where it was.'),
    );
    const issued = await issueReceipt(deps(db, 'Tue 11:00'), world.people.imani, post, null);
    if (!issued.ok) throw new Error('no receipt');
    const { jws } = issued.value.file;
    await rotateKey(deps(db, 'Tue 12:00'));
    const { keys } = await keySet(db);
    expect(keys).toHaveLength(2);
    expect(keys.some((k) => 'd' in k)).toBe(false);
    const { kid } = JSON.parse(Buffer.from(jws.protected, 'base64url').toString('utf8')) as { kid: string };
    const key = keys.find((k) => k.kid === kid);
    expect(key).toMatchObject({ kty: 'OKP', crv: 'Ed25519', use: 'sig', alg: 'EdDSA' });
    expect(opensslVerifies(jws, key?.x ?? '')).toBe(true);
    expect(jwcryptoVerifies(jws, { keys })).toBe(true);
    const other = keys.find((k) => k.kid !== kid);
    expect(opensslVerifies(jws, other?.x ?? '')).toBe(false);
    const payload = Buffer.from(jws.payload, 'base64url').toString('utf8').replace('2026', '2025');
    const forged = { ...jws, payload: Buffer.from(payload).toString('base64url') };
    expect(opensslVerifies(forged, key?.x ?? '')).toBe(false);
    expect(jwcryptoVerifies(forged, { keys })).toBe(false);
  });
});
