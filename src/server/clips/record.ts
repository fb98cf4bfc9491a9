import type { z } from 'zod';
import type { ClipFailure, finishSchema, Unfinished, UploadFailure } from '@/contract/files';
import type { StoredFile } from '@/core/document/attachments';
import { webVtt } from '@/core/posts/captions';
import { fail, ok, type Result } from '@/core/result';
import { askToMake, clipOf, insertClip, noteRecorded, unfinishedClips } from '@/db/queries/clips';
import { fileById, lockContent, noteContent } from '@/db/queries/files';
import type { NotFound } from '../access/enter';
import { enterCourse } from '../courses/enter';
import type { Actor } from '../deps';
import { readFor } from '../readers/readers';
import { identify, sumOf } from '../files/identify';
import { beginUpload, MOST_FILE_BYTES, own, stored, type FileDeps } from '../files/receive';

/** What a browser's recorder writes, by content. */
const RECORDED =
  /^(?:video|audio)\/(?:webm|x-matroska|matroska|ogg|mp4|x-m4a|quicktime)$|^application\/ogg$/u;

/** Begins to take a recording while it is made: how long it will be nobody knows yet. */
export async function beginClip(
  deps: FileDeps,
  actor: Actor,
  course: string,
  input: { video: boolean },
): Promise<Result<{ id: string; piece: number; most: number }, UploadFailure>> {
  return deps.db.transaction(async (tx) => {
    const inside = { ...deps, db: tx };
    const begun = await beginUpload(inside, actor, course, { name: 'clip', bytes: MOST_FILE_BYTES });
    if (!begun.ok) return begun;
    await insertClip(tx, { file: begun.value.id, video: input.video, now: deps.now });
    return ok({ ...begun.value, most: MOST_FILE_BYTES });
  });
}

/**
 * The recording is over and is to be a clip. It may be put into a text and shared at once; a job makes it playable. Said
 * twice it is the same clip.
 */
export async function finishClip(
  deps: FileDeps,
  actor: Actor,
  id: string,
  said: z.infer<typeof finishSchema>,
): Promise<Result<StoredFile, ClipFailure>> {
  const to = said.to !== null && said.to > said.from ? said.to : null;
  const length = Math.max(0, (to ?? said.ms) - said.from);
  const captions = await readFor(deps, actor, 'captions', { text: said.captions, ms: length });
  if (!captions.ok) return captions;
  const cues = captions.value;
  return deps.db.transaction(async (tx): Promise<Result<StoredFile, ClipFailure>> => {
    const file = await own({ ...deps, db: tx }, actor, id, true);
    const clip = file ? await clipOf(tx, id, true) : null;
    if (!file || !clip) return fail({ code: 'not-found' });
    const before = stored(file);
    if (clip.state !== 'recording') return before ? ok(before) : fail({ code: 'not-found' });
    if (file.received === 0) return fail({ code: 'nothing-recorded' });
    const path = deps.files.incoming(id);
    const found = await identify(path);
    if (found.kind !== 'file' || !RECORDED.test(found.mediaType)) return fail({ code: 'no-recording' });
    const sum = await sumOf(path);
    await lockContent(tx, sum);
    await deps.files.settle(id, sum);
    await noteContent(tx, id, {
      sha256: sum,
      name: 'clip',
      mediaType: found.mediaType,
      bytes: file.received,
      width: null,
      height: null,
    });
    await noteRecorded(tx, id, {
      title: said.title,
      captions: cues.length ? webVtt(cues) : null,
      from: said.from,
      to,
      ms: length,
      now: deps.now,
    });
    await askToMake(tx, id);
    const after = await fileById(tx, id);
    const made = after ? stored(after) : null;
    return made ? ok(made) : fail({ code: 'not-found' });
  });
}

/** Recordings that were begun here and never finished: the tab was closed, or the machine went off. */
export async function unfinished(
  deps: FileDeps,
  actor: Actor,
  course: string,
): Promise<Result<{ clips: Unfinished[] }, NotFound>> {
  const door = await enterCourse(deps, actor, course);
  if (!door.ok) return door;
  const found = await unfinishedClips(deps.db, door.value.id, actor.id);
  const clips = found.map((c) => ({ id: c.file, video: c.video, bytes: c.received, began: c.began }));
  return ok({ clips });
}
