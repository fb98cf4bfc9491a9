import { randomUUID } from 'node:crypto';
import { documentFromText } from '@/core/document/compose';
import type { BlockNode, Doc } from '@/core/document/nodes';
import type { StoredFile } from '@/core/document/attachments';
import { isBlank } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { account } from '@/db/queries/accounts';
import { draftFor } from '@/db/queries/drafts';
import { instant } from '@/core/ids';
import { mailedSince } from '@/db/queries/notices';
import { setMailOff } from '@/db/queries/notice-rules';
import { placeOfPost } from '@/db/queries/hearers';
import type { Actor, Deps } from '../deps';
import { enterRoom } from '../access/enter';
import { keepDraft } from '../drafts/keep';
import { receiveWhole } from '../files/receive';
import type { FileStore } from '../files/store';
import { answerOf, bouncedOf } from '../notices/addresses';
import { tellMailTrouble } from '../notices/happened';
import { tell } from '../notices/tell';
import { readFor } from '../readers/readers';
import type { Box } from '../secrets/box';

/** The largest mail that is taken. */
export const MOST_MAIL_BYTES = 15_000_000;

/** Answers by mail that one person may send within an hour. */
const MOST_AN_HOUR = 60;
const HOUR_MS = 3_600_000;
/** Why a draft is not kept that has nothing to do with how long it is. */
const GONE: ReadonlySet<string> = new Set(['not-found', 'post-not-open', 'already-shared', 'other-window']);

export type MailInDeps = Deps & { files: FileStore; box: Box };

/**
 * Why a mail is not taken: nobody here has such an address; its time is over; it is from somebody else; it says nothing; its post
 * cannot be answered; what it says could not be read. Nothing of it is kept then.
 */
export type NotTaken = {
  code:
    | 'too-many'
    | 'too-long'
    | 'no-such-address'
    | 'over'
    | 'not-yours'
    | 'nothing-written'
    | 'post-not-open'
    | 'not-read';
};

const TOKEN = /^(answer|back)-([a-z2-7]+)@/iu;

/** The sentence with which a mail is refused, for the program that hands it over and whoever is told by it. */
export const REFUSALS: Record<NotTaken['code'], string> = {
  'no-such-address': 'Nobody takes mail at this address.',
  'too-many':
    'You have answered very often within the last hour. Nothing of this mail was kept: answer in Pulpit, or send it again later.',
  'too-long':
    'With this the draft would be longer than a text can be. It stands as it was, and nothing of this mail was kept.',
  over: 'This address took answers for thirty days, and they are over. Nothing was kept: open the post in Pulpit and answer there.',
  'not-yours':
    'This address takes the answers of one person, from the address of their account. Nothing was kept: answer from that address, or in Pulpit.',
  'nothing-written': 'This mail says nothing beside what it quotes. Nothing was kept.',
  'post-not-open': 'The post this answers is not open to you any more. Nothing was kept.',
  'not-read': 'This mail could not be read. Nothing was kept: answer in Pulpit.',
};

const blockOf = (file: StoredFile): BlockNode =>
  file.width !== null && file.height !== null
    ? {
        type: 'picture',
        attrs: { file: file.id, alt: '', width: file.width, height: file.height },
      }
    : {
        type: 'file',
        attrs: { file: file.id, name: file.name, mediaType: file.mediaType, bytes: file.bytes },
      };

/** What stands already, and what came by mail under it: no word of either goes. */
const joined = (before: Doc | null, added: Doc): Doc =>
  before && !isBlank(before) ? { type: 'doc', content: [...before.content, ...added.content] } : added;

async function takeAnswer(
  deps: MailInDeps,
  token: string,
  bytes: Uint8Array,
): Promise<Result<null, NotTaken>> {
  const address = answerOf(deps.box, token);
  if (!address) return fail({ code: 'no-such-address' });
  if (deps.now >= address.until) return fail({ code: 'over' });
  const person = await account(deps.db, address.person);
  const place = await placeOfPost(deps.db, address.post);
  if (!person || person.ended !== null || !place) return fail({ code: 'no-such-address' });
  const actor: Actor = { id: person.id, name: person.name, timeZone: person.timeZone, previousVisit: null };
  if ((await mailedSince(deps.db, actor.id, instant(deps.now - HOUR_MS))) >= MOST_AN_HOUR)
    return fail({ code: 'too-many' });
  const read = await readFor(deps, actor, 'mail', { bytes: Buffer.from(bytes) });
  if (!read.ok) return fail({ code: 'not-read' });
  const mail = read.value;
  // Whatever a program sends by itself is nobody's answer, and is answered by nothing.
  if (mail.automatic) return ok(null);
  if (mail.from !== person.email.toLowerCase()) return fail({ code: 'not-yours' });
  if (mail.written === '' && mail.files.length === 0) return fail({ code: 'nothing-written' });

  const files: BlockNode[] = [];
  for (const { name, bytes: content } of mail.files) {
    const kept = await receiveWhole(deps, actor, place.course, name, content);
    if (kept.ok) files.push(blockOf(kept.value));
  }
  const written = documentFromText(mail.written);
  const added: Doc = { type: 'doc', content: [...written.content, ...files] };
  const door = await enterRoom(deps, actor, place.slug);
  if (!door.ok) return fail({ code: 'post-not-open' });
  const key = {
    author: actor.id,
    discussion: door.value.record.id,
    kind: 'reply',
    parent: address.post,
    edits: null,
  } as const;
  const before = await draftFor(deps.db, key);
  const kept = await keepDraft(deps, actor, place.slug, {
    kind: 'reply',
    parent: address.post,
    edits: null,
    title: before?.title ?? '',
    doc: joined(before?.doc ?? null, added),
    base: before?.revision ?? 0,
    submission: before?.submission ?? randomUUID(),
    conflict: 'replace',
  });
  if (!kept.ok) return fail({ code: GONE.has(kept.failure.code) ? 'post-not-open' : 'too-long' });
  await tell(deps.db, deps.now, [
    {
      course: place.course,
      kind: 'draft',
      key: `draft ${address.post} ${kept.value.revision} ${deps.now}`,
      topic: `draft ${address.post}`,
      discussion: door.value.record.id,
      post: address.post,
      by: null,
      to: [actor.id],
      about: { lost: mail.files.length - files.length },
    },
  ]);
  return ok(null);
}

/** A report that mail to somebody does not arrive: none is sent there until they say that it does. */
async function takeBounce(
  deps: MailInDeps,
  token: string,
  bytes: Uint8Array,
): Promise<Result<null, NotTaken>> {
  const id = bouncedOf(deps.box, token);
  const person = id && (await account(deps.db, id));
  if (!id || !person) return fail({ code: 'no-such-address' });
  const read = await readFor(deps, { id }, 'mail', { bytes: Buffer.from(bytes) });
  if (!read.ok) return fail({ code: 'not-read' });
  const why = read.value.bounced;
  if (why !== null)
    await deps.db.transaction(async (tx) => {
      await setMailOff(tx, id, { at: deps.now, why });
      await tellMailTrouble(tx, deps.now, id, randomUUID(), why);
    });
  return ok(null);
}

/** Whether an address is one that mail is taken at; asked before any of a mail is read. */
export function isTaken(box: Box, to: string): boolean {
  const [, kind, token = ''] = TOKEN.exec(to) ?? [];
  return kind?.toLowerCase() === 'answer'
    ? answerOf(box, token) !== null
    : kind?.toLowerCase() === 'back' && bouncedOf(box, token) !== null;
}

/**
 * Takes a mail that was sent to an address of ours. An answer becomes a draft under its post, with its checks, and is never shared by that; a draft that stands there
 * already goes on, with what was mailed under it.
 */
export async function takeMailIn(
  deps: MailInDeps,
  to: string,
  bytes: Uint8Array,
): Promise<Result<null, NotTaken>> {
  const [, kind, token = ''] = TOKEN.exec(to) ?? [];
  if (kind?.toLowerCase() === 'answer') return takeAnswer(deps, token, bytes);
  if (kind?.toLowerCase() === 'back') return takeBounce(deps, token, bytes);
  return fail({ code: 'no-such-address' });
}
