import type { Instant, PersonId, PostId } from '../ids';
import type { Doc } from '../document/nodes';

/** JSON with the keys of every object in code-unit order (the ordering of RFC 8785), so that equal content is equal text. */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`;
  if (typeof value === 'object' && value !== null) {
    const entries = Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
    return `{${entries.map(([k, v]) => `${JSON.stringify(k)}:${canonicalJson(v)}`).join(',')}}`;
  }
  return JSON.stringify(value);
}

/** What a receipt's fingerprint is taken over: who shared what, where and when. */
export const fingerprintText = (post: {
  id: PostId;
  author: PersonId;
  discussion: string;
  sharedAt: Instant;
  title: string;
  doc: Doc;
}) => canonicalJson(post);
