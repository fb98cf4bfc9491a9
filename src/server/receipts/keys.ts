import { calculateJwkThumbprint, exportJWK, generateKeyPair } from 'jose';
import type { Instant } from '@/core/ids';
import type { Db } from '@/db/connection';
import { replaceSigningKey, signingKey, type KeyRecord } from '@/db/queries/receipts';

/** EdDSA over Ed25519 (RFC 8037): small keys, and one signature for one text. */
export const ALGORITHM = 'EdDSA';
const DAY = 86_400_000;
/** A key signs no longer than this; then the next one does. */
const KEY_DAYS = 90;

/** Makes a new key the one that signs. Receipts signed before are still verified with the public half that stays. */
export async function rotateKey(db: Db, now: Instant): Promise<KeyRecord> {
  const { publicKey, privateKey } = await generateKeyPair(ALGORITHM, { crv: 'Ed25519', extractable: true });
  const shown = await exportJWK(publicKey);
  const key: KeyRecord = {
    id: await calculateJwkThumbprint(shown),
    publicKey: { ...shown },
    privateKey: { ...(await exportJWK(privateKey)) },
    madeAt: now,
  };
  await replaceSigningKey(db, key);
  return key;
}

/** The key that signs now; the first one, or the next after its time, is made here. */
export async function keyToSign(db: Db, now: Instant): Promise<KeyRecord> {
  const key = await signingKey(db);
  return key && now - key.madeAt < KEY_DAYS * DAY ? key : rotateKey(db, now);
}
