import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { PIECE_BYTES, safeName, type beginSchema, type Progress, type UploadFailure } from '@/contract/files';
import type { StoredFile } from '@/core/document/attachments';
import type { CourseId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { quotas } from '@/db/queries/college';
import {
  deleteFile,
  fileById,
  heldBytes,
  insertFile,
  lockContent,
  lockQuota,
  noteContent,
  noteReceived,
  type FileRecord,
} from '@/db/queries/files';
import type { NotFound } from '../access/enter';
import { enterCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { sha256 } from '../posts/fingerprint';
import { identify, sumOf } from './identify';
import { StoreFull, type FileStore } from './store';

export type FileDeps = Deps & { files: FileStore };

export const MOST_FILE_BYTES = 26_214_400;
const MB = 1_048_576;

/** Begins to take a file into a course. */
export async function beginUpload(
  deps: FileDeps,
  actor: Actor,
  course: string,
  input: z.infer<typeof beginSchema>,
): Promise<Result<{ id: string; piece: number }, UploadFailure>> {
  if (input.bytes === 0) return fail({ code: 'empty-file' });
  const door = await enterCourse(deps, actor, course);
  return door.ok ? beginIn(deps, actor, door.value.id, input) : door;
}

/** The same for somebody who is known to have business in a course. */
async function beginIn(
  deps: FileDeps,
  actor: Actor,
  course: CourseId,
  input: z.infer<typeof beginSchema>,
): Promise<Result<{ id: string; piece: number }, UploadFailure>> {
  if (input.bytes > MOST_FILE_BYTES) return fail({ code: 'file-too-large', most: MOST_FILE_BYTES });
  return deps.db.transaction(async (tx): Promise<Result<{ id: string; piece: number }, UploadFailure>> => {
    // Forty begun at once are counted one after the other.
    await lockQuota(tx, course);
    const held = await heldBytes(tx, course, actor.id);
    const { personMb, courseMb } = await quotas(tx);
    if (held.own + input.bytes > personMb * MB) return fail({ code: 'quota-person', most: personMb * MB });
    if (held.course + input.bytes > courseMb * MB) return fail({ code: 'quota-course' });
    const id = randomUUID();
    const { name, bytes: expected } = input;
    await insertFile(tx, { id, course, owner: actor.id, name, expected, now: deps.now });
    return ok({ id, piece: PIECE_BYTES });
  });
}

const isId = (id: string) => z.uuid().safeParse(id).success;

export const own = async (deps: FileDeps, actor: Actor, id: string, forUpdate = false) => {
  const file = isId(id) ? await fileById(deps.db, id, forUpdate) : null;
  return file && file.owner === actor.id ? file : null;
};

export const stored = (file: FileRecord): StoredFile | null =>
  file.mediaType === null || file.bytes === null
    ? null
    : {
        id: file.id,
        name: file.name,
        mediaType: file.mediaType,
        bytes: file.bytes,
        width: file.width,
        height: file.height,
        clip: file.clip ? { ms: file.clip.ms, video: file.clip.video } : null,
      };

/** How much of one's file has come in, for who goes on after a lost connection. */
export async function uploadProgress(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<Progress, NotFound>> {
  const file = await own(deps, actor, id);
  return file ? ok({ received: file.received, file: stored(file) }) : fail({ code: 'not-found' });
}

/** All of it is here: it is looked at, stored under its content's sum, and known for what it is. */
async function finish(deps: FileDeps, file: FileRecord): Promise<Result<Progress, UploadFailure>> {
  const path = deps.files.incoming(file.id);
  const found = await identify(path);
  if (found.kind === 'program' || found.kind === 'broken-picture') return fail({ code: found.kind });
  const picture = found.kind === 'picture' ? found : null;
  const sum = picture ? sha256(picture.content) : await sumOf(path);
  const content = {
    sha256: sum,
    name: picture ? `${file.name.replace(/\.[^.]*$/u, '')}.webp` : file.name,
    mediaType: found.mediaType,
    bytes: picture ? picture.content.length : file.expected,
    width: picture?.width ?? null,
    height: picture?.height ?? null,
  };
  await deps.db.transaction(async (tx) => {
    // Whoever sweeps the same content away waits until it is known to be held.
    await lockContent(tx, sum);
    if (picture) await deps.files.put(sum, picture.content);
    else await deps.files.settle(file.id, sum);
    await noteContent(tx, file.id, content);
  });
  await deps.files.drop(file.id);
  return ok({ received: file.expected, file: stored({ ...file, ...content }) });
}

/** Takes the next piece of one's file. The last one makes it a file that a text may carry. */
export async function takePiece(
  deps: FileDeps,
  actor: Actor,
  id: string,
  from: number,
  piece: Uint8Array,
): Promise<Result<Progress, UploadFailure>> {
  if (piece.length > PIECE_BYTES) return fail({ code: 'piece-too-large' });
  const taken = await deps.db.transaction(async (tx): Promise<Result<FileRecord, UploadFailure>> => {
    const file = await own({ ...deps, db: tx }, actor, id, true);
    if (!file) return fail({ code: 'not-found' });
    // The last answer was lost, and its piece is sent again: it is here.
    if (file.sha256 !== null) return ok(file);
    if (from !== file.received) return fail({ code: 'other-offset', received: file.received });
    if (from + piece.length > file.expected) return fail({ code: 'piece-too-large' });
    try {
      await deps.files.write(id, from, piece);
    } catch (error) {
      if (error instanceof StoreFull) return fail({ code: 'store-full' });
      throw error;
    }
    await noteReceived(tx, id, from + piece.length);
    return ok({ ...file, received: from + piece.length });
  });
  if (!taken.ok) return taken;
  const file = taken.value;
  const ready = stored(file);
  if (ready || file.received < file.expected) return ok({ received: file.received, file: ready });
  try {
    const finished = await finish(deps, file);
    if (!finished.ok) await cancelUpload(deps, actor, id);
    return finished;
  } catch (error) {
    if (!(error instanceof StoreFull)) throw error;
    await cancelUpload(deps, actor, id);
    return fail({ code: 'store-full' });
  }
}

/** Gives up a file that is still coming in. One that is here stays until nothing carries it. */
export async function cancelUpload(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<null, NotFound>> {
  const file = await own(deps, actor, id);
  if (!file) return fail({ code: 'not-found' });
  if (file.sha256 === null) {
    await deleteFile(deps.db, id);
    await deps.files.drop(id);
  }
  return ok(null);
}

/** Takes a file that is all here already, as one of the person's in a course where the person has business. */
export async function receiveWhole(
  deps: FileDeps,
  actor: Actor,
  course: CourseId,
  name: string,
  bytes: Uint8Array,
): Promise<Result<StoredFile, UploadFailure>> {
  if (bytes.length === 0) return fail({ code: 'broken-picture' });
  const begun = await beginIn(deps, actor, course, { name: safeName(name), bytes: bytes.length });
  if (!begun.ok) return begun;
  const { id } = begun.value;
  for (let at = 0; at < bytes.length; at += PIECE_BYTES) {
    const taken = await takePiece(deps, actor, id, at, bytes.subarray(at, at + PIECE_BYTES));
    if (!taken.ok) {
      await cancelUpload(deps, actor, id);
      return taken;
    }
    if (taken.value.file) return ok(taken.value.file);
  }
  return fail({ code: 'not-found' });
}
