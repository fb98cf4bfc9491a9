import { calculateJwkThumbprint, exportJWK, generateKeyPair, importJWK, type JWK } from 'jose';
import type { Instant } from '@/core/ids';
import type { Db } from '@/db/connection';
import { publicKeys, replaceSigningKey, signingKey } from '@/db/queries/receipts';
import type { Box } from '../secrets/box';

/** EdDSA over Ed25519 (RFC 8037): small keys, and one signature for one text. */
export const ALGORITHM = 'EdDSA';
const DAY = 86_400_000;
/** A key signs no longer than this; then the next one does. */
const KEY_DAYS = 90;

/** A key that signs, opened. */
type SigningKey = { id: string; key: Awaited<ReturnType<typeof importJWK>> };

/** Makes a new key the one that signs. Receipts signed before are still verified with the public half that stays. */
export async function rotateKey(deps: { db: Db; box: Box; now: Instant }): Promise<SigningKey> {
  const { publicKey, privateKey } = await generateKeyPair(ALGORITHM, { crv: 'Ed25519', extractable: true });
  const shown = await exportJWK(publicKey);
  const id = await calculateJwkThumbprint(shown);
  await replaceSigningKey(deps.db, {
    id,
    publicKey: { ...shown },
    sealedPrivate: deps.box.seal('signing key', id, JSON.stringify(await exportJWK(privateKey))),
    madeAt: deps.now,
  });
  return { id, key: privateKey };
}

/**
 * The key that signs now. The first one is made here, and the next: after the time of the one before, or where that cannot be opened any
 * more.
 */
export async function keyToSign(deps: { db: Db; box: Box; now: Instant }): Promise<SigningKey> {
  const key = await signingKey(deps.db);
  if (!key?.sealedPrivate || deps.now - key.madeAt >= KEY_DAYS * DAY) return rotateKey(deps);
  const opened = deps.box.open('signing key', key.id, key.sealedPrivate);
  if (opened === null) return rotateKey(deps);
  return { id: key.id, key: await importJWK(JSON.parse(opened) as JWK, ALGORITHM) };
}

/**
 * The public keys of receipts as a set (RFC 7517): with them any program can verify one, without asking Pulpit. A key that signs no more stays in it.
 */
export async function keySet(db: Db): Promise<{ keys: JWK[] }> {
  const keys = await publicKeys(db);
  return { keys: keys.map(({ id, publicKey }) => ({ ...publicKey, kid: id, use: 'sig', alg: ALGORITHM })) };
}
