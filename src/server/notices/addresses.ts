import { timingSafeEqual } from 'node:crypto';
import { personId, postId, type Instant, type PersonId, type PostId } from '@/core/ids';
import { CHOSEN_KINDS, type ChosenKind } from '@/core/notices/kinds';
import type { Box, SignedKind } from '../secrets/box';

const DAY_MS = 86_400_000;
/** An answer by mail is taken for so long after its mail left. */
const ANSWERED_DAYS = 30;
/** 80 bits are signed with: nobody guesses one within the days it works, and the whole stays under the 64 signs of RFC 5321, 4.5.3.1.1. */
const SIGNED = 10;

const uuidBytes = (id: string) => Buffer.from(id.replace(/-/gu, ''), 'hex');
const uuidOf = (bytes: Buffer) =>
  bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/u, '$1-$2-$3-$4-$5');

/** Letters and digits of RFC 4648's base 32, in small letters: mail servers may write an address either way. */
const LETTERS = 'abcdefghijklmnopqrstuvwxyz234567';

function inLetters(bytes: Uint8Array): string {
  let bits = 0;
  let held = 0;
  let text = '';
  for (const byte of bytes) {
    held = (held << 8) | byte;
    bits += 8;
    while (bits >= 5) {
      bits -= 5;
      text += LETTERS[(held >>> bits) & 31];
    }
    held &= (1 << bits) - 1;
  }
  return bits > 0 ? text + LETTERS[(held << (5 - bits)) & 31] : text;
}

function fromLetters(text: string): Buffer | null {
  const bytes: number[] = [];
  let bits = 0;
  let held = 0;
  for (const letter of text.toLowerCase()) {
    const n = LETTERS.indexOf(letter);
    if (n < 0) return null;
    held = (held << 5) | n;
    bits += 5;
    if (bits >= 8) {
      bits -= 8;
      bytes.push((held >>> bits) & 255);
      held &= (1 << bits) - 1;
    }
  }
  const read = Buffer.from(bytes);
  // One way to write it: bits that fill up the last letter say nothing else.
  return inLetters(read) === text.toLowerCase() ? read : null;
}

const signed = (box: Box, kind: SignedKind, said: Buffer) =>
  inLetters(Buffer.concat([said, box.sign(kind, said).subarray(0, SIGNED)]));

function said(box: Box, kind: SignedKind, token: string): Buffer | null {
  const all = fromLetters(token);
  if (!all || all.length <= SIGNED) return null;
  const what = all.subarray(0, -SIGNED);
  return timingSafeEqual(box.sign(kind, what).subarray(0, SIGNED), all.subarray(-SIGNED)) ? what : null;
}

const UUID_BYTES = 16;
const personIn = (what: Buffer): PersonId => personId(uuidOf(what.subarray(0, UUID_BYTES)));

const POST_BYTES = 6;
const DAY_BYTES = 2;

/** What stands before the @ of an address that takes one person's answer to one post, until a day. */
export function answerToken(box: Box, of: { person: PersonId; post: PostId; now: Instant }): string {
  const rest = Buffer.alloc(POST_BYTES + DAY_BYTES);
  rest.writeUIntBE(of.post, 0, POST_BYTES);
  rest.writeUInt16BE(Math.floor(of.now / DAY_MS) + ANSWERED_DAYS, POST_BYTES);
  return signed(box, 'reply by mail', Buffer.concat([uuidBytes(of.person), rest]));
}

/** Whose answer an address takes, and to which post; null where nobody of this installation gave it out. */
export function answerOf(box: Box, token: string): { person: PersonId; post: PostId; until: Instant } | null {
  const what = said(box, 'reply by mail', token);
  if (what?.length !== UUID_BYTES + POST_BYTES + DAY_BYTES) return null;
  return {
    person: personIn(what),
    post: postId(what.readUIntBE(UUID_BYTES, POST_BYTES)),
    until: ((what.readUInt16BE(UUID_BYTES + POST_BYTES) + 1) * DAY_MS) as Instant,
  };
}

/** What one press in a mail is about. */
export type LessKind = ChosenKind | 'deadline';
const isLessKind = (name: string): name is LessKind => [...CHOSEN_KINDS, 'deadline'].some((k) => k === name);

/** What says, without signing in, that somebody wants no mail of a kind: one press in a mail program (RFC 8058). */
export const lessToken = (box: Box, of: { person: PersonId; kind: LessKind }): string =>
  // By its name: what was written into a mail means the same for ever.
  signed(box, 'less mail', Buffer.concat([uuidBytes(of.person), Buffer.from(of.kind)]));

export function lessOf(box: Box, token: string): { person: PersonId; kind: LessKind } | null {
  const what = said(box, 'less mail', token);
  const kind = what?.subarray(UUID_BYTES).toString() ?? '';
  return what && isLessKind(kind) ? { person: personIn(what), kind } : null;
}

/** Where what cannot be delivered comes back to: whose mail it was. */
export const bounceToken = (box: Box, person: PersonId): string => signed(box, 'bounce', uuidBytes(person));

export function bouncedOf(box: Box, token: string): PersonId | null {
  const what = said(box, 'bounce', token);
  return what?.length === UUID_BYTES ? personIn(what) : null;
}
