import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { fail, ok, type Result } from '@/core/result';
import { deleteRecording, putRecording, recordingContent } from '@/db/queries/recordings';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterReading } from '../notes/notes';

export const MOST_RECORDING_BYTES = 52_428_800;

export type Recorded = { kind: 'reading' | 'discussion'; slug: string };
type RecordingFailure = NotFound | { code: 'no-sound' } | { code: 'sound-too-large' };

/** What a sound file is by its first bytes: the name of a file says nothing sure. */
function soundType(bytes: Buffer): string | null {
  const at = (offset: number, text: string) =>
    bytes.subarray(offset, offset + text.length).toString('latin1') === text;
  if (at(0, 'RIFF') && at(8, 'WAVE')) return 'audio/wav';
  if (at(0, 'OggS')) return 'audio/ogg';
  if (at(0, 'fLaC')) return 'audio/flac';
  if (at(4, 'ftyp')) return 'audio/mp4';
  if (at(0, 'ID3') || (bytes[0] === 0xff && ((bytes[1] ?? 0) & 0xe0) === 0xe0)) return 'audio/mpeg';
  return bytes[0] === 0x1a && bytes[1] === 0x45 && bytes[2] === 0xdf && bytes[3] === 0xa3
    ? 'audio/webm'
    : null;
}

async function placeOf(deps: Deps, actor: Actor, of: Recorded) {
  if (of.kind === 'reading') {
    const door = await enterReading(deps, actor, of.slug);
    return door.ok && door.value.staff
      ? { course: door.value.course, of: { reading: door.value.reading } }
      : null;
  }
  const door = await enterDiscussion(deps, actor, of.slug);
  return door.ok && door.value.staff
    ? { course: door.value.record.course.id, of: { discussion: door.value.record.id } }
    : null;
}

/** Puts a recording in its instructor's own voice beside a reading or prompt, in place of an earlier one. Staff only. */
export async function addRecording(
  deps: Deps,
  actor: Actor,
  of: Recorded,
  file: { bytes: Buffer; cut: boolean },
): Promise<Result<null, RecordingFailure>> {
  const place = await placeOf(deps, actor, of);
  if (!place) return fail({ code: 'not-found' });
  if (file.cut) return fail({ code: 'sound-too-large' });
  const mediaType = soundType(file.bytes);
  if (!mediaType) return fail({ code: 'no-sound' });
  await deps.db.transaction((tx) =>
    putRecording(tx, {
      ...place,
      id: randomUUID(),
      speaker: actor.id,
      mediaType,
      content: file.bytes,
      madeAt: deps.now,
    }),
  );
  return ok(null);
}

/** Takes the recording of a reading or prompt away. Staff only. */
export async function removeRecording(
  deps: Deps,
  actor: Actor,
  of: Recorded,
): Promise<Result<null, NotFound>> {
  const place = await placeOf(deps, actor, of);
  if (!place) return fail({ code: 'not-found' });
  await deleteRecording(deps.db, place.of);
  return ok(null);
}

/** The sound of a recording, for those in its course. */
export async function recordingSound(deps: Deps, actor: Actor, id: string) {
  return z.uuid().safeParse(id).success ? recordingContent(deps.db, actor.id, id) : null;
}
