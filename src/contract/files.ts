import { z } from 'zod';
import type { StoredFile } from '@/core/document/attachments';
import { LIMITS } from '@/core/document/limits';
import type { Doc } from '@/core/document/nodes';
import type { DocumentFailure } from '@/core/document/document';
import { answersWith } from './endpoint';
import type { NotRead } from '@/contract/not-read';

export const PIECE_BYTES = 1_048_576;

/** A name that is safe on every system: no folder, no control character, not too long; its ending stays. */
export function safeName(name: string): string {
  const last = name.split(/[/\\]/u).pop() ?? '';
  const clean = last.replace(/[\p{C}]/gu, '').trim();
  if (!clean || /^\.+$/u.test(clean)) return 'file';
  if (clean.length <= LIMITS.fileNameLength) return clean;
  const ending = /\.[\p{L}\p{N}]{1,8}$/u.exec(clean)?.[0] ?? '';
  return clean.slice(0, LIMITS.fileNameLength - ending.length) + ending;
}

export const beginSchema = z.strictObject({
  name: z.string().max(1_000).transform(safeName),
  bytes: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
});

export type UploadFailure =
  | { code: 'not-found' }
  | { code: 'empty-file' }
  | { code: 'file-too-large'; most: number }
  | { code: 'quota-person'; most: number }
  | { code: 'quota-course' }
  | { code: 'store-full' }
  | { code: 'other-offset'; received: number }
  | { code: 'piece-too-large' }
  | { code: 'program' }
  | { code: 'broken-picture' };

/** Begins to take a file into a course; it follows in pieces of `piece` bytes. */
export const beginningFile = answersWith<{ id: string; piece: number }, UploadFailure>()(
  'POST',
  '/courses/:course/files',
  beginSchema,
);

export type Progress = { received: number; file: StoredFile | null };

/** The next piece of one's file: its bytes are the body, where they belong is in the query. */
export const sendingPiece = answersWith<Progress, UploadFailure>()('PUT', '/attachments/:id');
/** How much of one's file has come in. */
export const askingProgress = answersWith<Progress>()('GET', '/attachments/:id/progress');
/** Gives up a file that is still coming in. */
export const givingUp = answersWith<null>()('DELETE', '/attachments/:id');

/** Begins to take a recording; its pieces follow while it is made, and it may grow to `most` bytes. */
export const beginningClip = answersWith<{ id: string; piece: number; most: number }, UploadFailure>()(
  'POST',
  '/courses/:course/clips',
  z.strictObject({ video: z.boolean() }),
);

export type Unfinished = { id: string; video: boolean; bytes: number; began: number };
/** One's recordings that were never finished. */
export const unfinishedClips = answersWith<{ clips: Unfinished[] }>()('GET', '/courses/:course/clips');

const ms = z.number().int().min(0).max(LIMITS.clipMs);
export const finishSchema = z.strictObject({
  title: z.string().trim().max(LIMITS.titleLength),
  /** Lines as they were typed, or a WebVTT file. */
  captions: z.string().max(100_000).default(''),
  /** The stretch that is the clip. */
  from: ms.default(0),
  to: ms.nullable().default(null),
  /** How long was recorded. */
  ms,
});
export type ClipFailure =
  { code: 'not-found' } | NotRead | { code: 'nothing-recorded' } | { code: 'no-recording' };

/** The recording is over and is to be a clip. */
export const finishingClip = answersWith<{ file: StoredFile }, ClipFailure>()(
  'POST',
  '/attachments/:id/clip',
  finishSchema,
);

/** How far a clip is: it is put into a text before it is playable. */
export const clipState = answersWith<{
  state: 'recording' | 'waiting' | 'ready' | 'failed';
  ms: number;
  captions: boolean;
  poster: boolean;
}>()('GET', '/attachments/:id/clip');

export type FileTrouble =
  | { code: 'file-too-large'; name: string }
  | { code: 'file-empty'; name: string }
  | { code: 'file-broken'; name: string; kind: 'word' | 'pdf' | 'book' }
  | { code: 'file-locked'; name: string }
  | { code: 'file-scanned'; name: string }
  | { code: 'file-old-word'; name: string }
  | { code: 'file-unknown'; name: string }
  /** It was given up: it took too long, too much memory, or too much of this person's waits. */
  | { code: 'file-not-read'; name: string; why: NotRead['why'] };

/** What of a file does not come along, counted. */
export type LeftBehind = Partial<
  Record<'macros' | 'comments' | 'deleted' | 'outside' | 'objects' | 'unread-pictures', number>
>;
export type BroughtIn = { title: string; doc: Doc; left: LeftBehind };
export type BringInFailure = { code: 'not-found' } | FileTrouble | { code: 'text-too-long'; name: string };

/** A text written elsewhere, read for the one who brings it in to look at: a form with `file` and perhaps `discussion`. */
export const bringingIn = answersWith<BroughtIn, BringInFailure>()('POST', '/courses/:course/written');

/** A text as it stands in the editor, as a file of this format: where it is well, the answer is the file itself. */
export const takingOut = answersWith<null, DocumentFailure>()(
  'POST',
  '/formats/:format',
  z.object({ title: z.string().max(LIMITS.titleLength), doc: z.unknown() }),
);
