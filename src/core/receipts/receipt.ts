import { z } from 'zod';
import { checkIdSchema } from '../brief/brief';

const check = z.strictObject({
  id: checkIdSchema,
  have: z.number(),
  need: z.strictObject({ min: z.number().optional(), max: z.number().optional() }),
  met: z.boolean(),
  required: z.boolean(),
});

/**
 * What a receipt says: who shared what, where and when, and how it stood to the deadline and the checks. Times are RFC 3339
 * in UTC; `contentSha256` is the fingerprint over the canonical form of the post (see core/posts/canonical).
 */
export const receiptSchema = z.strictObject({
  issuer: z.literal('Pulpit'),
  form: z.literal(1),
  issuedAt: z.iso.datetime(),
  author: z.strictObject({ id: z.uuid(), name: z.string() }),
  course: z.strictObject({ code: z.string(), title: z.string() }),
  discussion: z.strictObject({ slug: z.string(), title: z.string() }),
  post: z.strictObject({
    number: z.number().int().positive(),
    version: z.number().int().positive(),
    kind: z.enum(['response', 'reply']),
    replyTo: z.string().nullable(),
    ownWords: z.number().int().min(0),
  }),
  sharedAt: z.iso.datetime(),
  deadline: z.iso.datetime(),
  /** Seconds from sharing to the deadline; below zero when it came after. */
  marginSeconds: z.number().int(),
  checks: z.array(check),
  contentSha256: z.string().regex(/^[0-9a-f]{64}$/u),
  /** Staff let it count as of `sharedAt`: it was handed to them and accepted later, with this reason. */
  accepted: z
    .strictObject({
      handedAt: z.iso.datetime(),
      acceptedAt: z.iso.datetime(),
      by: z.string(),
      reason: z.string(),
    })
    .optional(),
});
export type Receipt = z.infer<typeof receiptSchema>;

/** The file a receipt travels in: what it says to read, the text it is about, and the signed form (RFC 7515, flattened JSON). */
export const receiptFileSchema = z.object({
  receipt: z.unknown(),
  content: z.object({ title: z.string(), doc: z.unknown() }).optional(),
  jws: z.object({ protected: z.string(), payload: z.string(), signature: z.string() }),
});

export type FieldChanged = { field: string; shown: string; signed: string };

const leaves = (value: unknown, path: string, out: Map<string, string>): Map<string, string> => {
  if (typeof value === 'object' && value !== null) {
    const entries = Object.entries(value);
    if (entries.length === 0) out.set(path, Array.isArray(value) ? '[]' : '{}');
    for (const [key, v] of entries) leaves(v, path ? `${path}.${key}` : key, out);
  } else out.set(path, typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing'));
  return out;
};

/**
 * Where a receipt as it can be read differs from what was signed, field by field.
 * @example a receipt whose sharedAt was changed gives one entry, with both times
 */
export function changedFields(shown: unknown, signed: unknown): FieldChanged[] {
  const a = leaves(shown, '', new Map());
  const b = leaves(signed, '', new Map());
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((field) => a.get(field) !== b.get(field))
    .map((field) => ({ field, shown: a.get(field) ?? 'nothing', signed: b.get(field) ?? 'nothing' }));
}
