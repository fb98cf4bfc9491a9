import { decodeProtectedHeader, errors, flattenedVerify, importJWK, type JWK } from 'jose';
import { z } from 'zod';
import { fingerprintText } from '@/core/posts/canonical';
import { instant, personId, postId } from '@/core/ids';
import { parseDocument } from '@/core/document/document';
import {
  changedFields,
  receiptFileSchema,
  receiptSchema,
  type FieldChanged,
  type Receipt,
} from '@/core/receipts/receipt';
import type { Db } from '@/db/connection';
import { keyById } from '@/db/queries/receipts';
import { sha256 } from '../posts/fingerprint';
import { ALGORITHM } from './keys';

/** What is wrong with a receipt. */
export type Trouble =
  | { code: 'not-a-receipt' }
  | { code: 'not-keys' }
  | { code: 'unknown-key' }
  | { code: 'signature' }
  | { code: 'changed'; fields: FieldChanged[] }
  | { code: 'content' };
export type Verified = {
  receipt: Receipt | null;
  troubles: Trouble[];
  contentChecked: boolean;
  /** Whose key signed it: one of this installation, or one of those that were given beside it. */
  signedBy: 'here' | 'given' | null;
};

const MOST_CHARACTERS = 2_000_000;

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const payloadText = (payload: string) => Buffer.from(payload, 'base64url').toString('utf8');

/** A set of public keys as an installation gives it out and an archive holds it (RFC 7517; of Ed25519, RFC 8037). */
const keysSchema = z.object({
  keys: z
    .array(
      z.object({ kid: z.string(), kty: z.literal('OKP'), crv: z.literal('Ed25519'), x: z.string().max(100) }),
    )
    .max(200),
});
type Given = z.infer<typeof keysSchema>['keys'];

type Key = { publicKey: JWK; by: 'here' | 'given' };

/** The key a signed form names, with its own public half: of this installation, or of those given; null where neither has that name. */
async function keyOf(db: Db, jws: { protected: string }, given: Given): Promise<Key | null> {
  try {
    const { kid } = decodeProtectedHeader(jws as never);
    const own = kid && (await keyById(db, kid));
    if (own) return { publicKey: own.publicKey as JWK, by: 'here' };
    const theirs = given.find((k) => k.kid === kid);
    return theirs ? { publicKey: theirs, by: 'given' } : null;
  } catch (error) {
    if (error instanceof TypeError || error instanceof errors.JOSEError) return null;
    throw error;
  }
}

async function isSigned(publicKey: JWK, jws: { protected: string; payload: string; signature: string }) {
  try {
    await flattenedVerify(jws, await importJWK(publicKey, ALGORITHM), { algorithms: [ALGORITHM] });
    return true;
  } catch (error) {
    if (error instanceof errors.JOSEError) return false;
    throw error;
  }
}

/**
 * Verifies a receipt that anybody holds: whether a key of ours signed it, or one of those given with it, whether what can be read is what was signed, and
 * whether the text beside it is the one it speaks of. It tells nothing that the file does not hold already.
 *
 * @param keys a set of keys of another installation, as text; empty where none was given
 */
export async function verifyReceipt(db: Db, text: string, keys = ''): Promise<Verified> {
  const nothing = (code: 'not-a-receipt' | 'not-keys'): Verified => ({
    receipt: null,
    troubles: [{ code }],
    contentChecked: false,
    signedBy: null,
  });
  const given = keysSchema.safeParse(keys.length <= MOST_CHARACTERS && keys ? jsonOf(keys) : { keys: [] });
  if (!given.success) return nothing('not-keys');
  if (text.length > MOST_CHARACTERS) return nothing('not-a-receipt');
  const file = receiptFileSchema.safeParse(jsonOf(text));
  if (!file.success) return nothing('not-a-receipt');
  const { jws, receipt: shown, content } = file.data;
  const troubles: Trouble[] = [];
  const key = await keyOf(db, jws, given.data.keys);
  if (!key) troubles.push({ code: 'unknown-key' });
  else if (!(await isSigned(key.publicKey, jws))) troubles.push({ code: 'signature' });
  const signed = receiptSchema.safeParse(jsonOf(payloadText(jws.payload)));
  if (!signed.success) {
    return {
      receipt: null,
      troubles: troubles.length ? troubles : [{ code: 'not-a-receipt' }],
      contentChecked: false,
      signedBy: null,
    };
  }
  const receipt = signed.data;
  const fields = changedFields(shown, receipt);
  if (fields.length) troubles.push({ code: 'changed', fields });
  const doc = content && parseDocument(content.doc);
  if (content) {
    const fingerprint =
      doc?.ok &&
      sha256(
        fingerprintText({
          id: postId(receipt.post.number),
          author: personId(receipt.author.id),
          discussion: receipt.discussion.slug,
          sharedAt: instant(Date.parse(receipt.sharedAt)),
          title: content.title,
          doc: doc.value,
        }),
      );
    if (fingerprint !== receipt.contentSha256) troubles.push({ code: 'content' });
  }
  return { receipt, troubles, contentChecked: content !== undefined, signedBy: key?.by ?? null };
}
