import canonicalize from 'canonicalize';
import type { Instant, PersonId, PostId } from '../ids';
import type { Doc } from '../document/nodes';

/**
 * JSON in the canonical form of RFC 8785, so that equal content is equal text. Throws for what JSON cannot say.
 * @example canonicalJson({ b: 1, a: 2 }) // '{"a":2,"b":1}'
 */
export function canonicalJson(value: object | null): string {
  const text = canonicalize(value);
  if (text === undefined) throw new TypeError('This has no form in JSON.');
  return text;
}

/**
 * What a receipt's fingerprint is taken over: who shared what, where and when.
 * @example equal posts give equal texts, whatever the order of their fields
 */
export const fingerprintText = (post: {
  id: PostId;
  author: PersonId;
  discussion: string;
  sharedAt: Instant;
  title: string;
  doc: Doc;
}) => canonicalJson(post);
