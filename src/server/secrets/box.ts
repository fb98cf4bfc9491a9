import { createCipheriv, createDecipheriv, createHmac, hkdfSync, randomBytes } from 'node:crypto';

/** What is sealed, each kind with a key of its own. */
export type SealedKind = 'signing key' | 'second factor' | 'push key' | 'calendar address';
/** What is signed, each kind with a key of its own. */
export type SignedKind = 'reply by mail' | 'less mail' | 'bounce';

/** Seals what has to lie in the database and be read again, with a key that does not lie there. */
export type Box = {
  seal: (kind: SealedKind, of: string, text: string) => Buffer;
  /** The text; null where it was sealed with another key, as another kind or for something else, or was changed. */
  open: (kind: SealedKind, of: string, sealed: Uint8Array) => string | null;
  /** What shows that this installation has said something, and nobody else (HMAC, RFC 2104). */
  sign: (kind: SignedKind, said: Uint8Array) => Buffer;
};

export const BOX_KEY_BYTES = 32;
const CIPHER = 'aes-256-gcm';
const NONCE = 12;
const TAG = 16;
const FORM = 1;

/**
 * A box that is opened by a secret of 32 bytes. AES-256 in Galois/Counter Mode (NIST SP 800-38D), with a key for each kind (HKDF, RFC 5869);
 * what it was sealed `of` (a person, a key's name) is bound in, so that nothing sealed is of use in another's row.
 */
export function boxOf(secret: Uint8Array): Box {
  if (secret.length !== BOX_KEY_BYTES)
    throw new Error(`The secret that seals has ${secret.length} bytes, and needs ${BOX_KEY_BYTES}.`);
  const keys = new Map<SealedKind | SignedKind, Buffer>();
  const keyFor = (kind: SealedKind | SignedKind) => {
    const made = keys.get(kind) ?? Buffer.from(hkdfSync('sha256', secret, '', `pulpit ${kind}`, 32));
    keys.set(kind, made);
    return made;
  };
  return {
    sign: (kind, said) => createHmac('sha256', keyFor(kind)).update(said).digest(),
    seal: (kind, of, text) => {
      const nonce = randomBytes(NONCE);
      const cipher = createCipheriv(CIPHER, keyFor(kind), nonce, { authTagLength: TAG });
      cipher.setAAD(Buffer.from(of));
      const hidden = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
      return Buffer.concat([Buffer.from([FORM]), nonce, cipher.getAuthTag(), hidden]);
    },
    open: (kind, of, sealed) => {
      const bytes = Buffer.from(sealed);
      if (bytes.length <= 1 + NONCE + TAG || bytes[0] !== FORM) return null;
      const cipher = createDecipheriv(CIPHER, keyFor(kind), bytes.subarray(1, 1 + NONCE), {
        authTagLength: TAG,
      });
      cipher.setAAD(Buffer.from(of));
      cipher.setAuthTag(bytes.subarray(1 + NONCE, 1 + NONCE + TAG));
      try {
        return cipher.update(bytes.subarray(1 + NONCE + TAG), undefined, 'utf8') + cipher.final('utf8');
      } catch {
        return null;
      }
    },
  };
}
