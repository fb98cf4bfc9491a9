import { execFile } from 'node:child_process';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import { pipeline } from 'node:stream/promises';
import { promisify } from 'node:util';
import sharp from 'sharp';
import { LIMITS } from '@/core/document/limits';
import { clipOf, noteMade, type ClipRecord } from '@/db/queries/clips';
import { contentIsHeld, fileById, lockContent, noteContent } from '@/db/queries/files';
import { sumOf } from '../files/identify';
import type { FileDeps } from '../files/receive';
import { safeName } from '@/contract/files';
import { sha256 } from '../posts/fingerprint';

const run = promisify(execFile);
const WORK = { timeout: 150_000, killSignal: 'SIGKILL', maxBuffer: 4_000_000 } as const;

/** The reader for what a recording is: told, never guessed, so that no playlist or script of addresses is ever opened. */
const readerFor = (mediaType: string) =>
  /mp4|m4a|quicktime/u.test(mediaType) ? 'mov' : /ogg/u.test(mediaType) ? 'ogg' : 'matroska';

const seconds = (ms: number) => (ms / 1_000).toFixed(3);

/** ffmpeg could not make anything of the recording. */
class Unplayable extends Error {}

async function ffmpeg(args: string[]) {
  try {
    await run('ffmpeg', ['-hide_banner', '-nostdin', '-loglevel', 'error', '-y', ...args], WORK);
  } catch (error) {
    const failed = error as NodeJS.ErrnoException & { stderr?: string };
    if (failed.code === 'ENOENT') throw new Error('ffmpeg is not installed: clips cannot be made.');
    throw new Unplayable(failed.stderr?.slice(0, 500) || failed.message);
  }
}

async function lengthOf(path: string): Promise<number> {
  const args = ['-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', path];
  const { stdout } = await run('ffprobe', args, WORK);
  const ms = Math.round(Number(stdout.trim()) * 1_000);
  return Number.isFinite(ms) ? Math.min(LIMITS.clipMs, Math.max(0, ms)) : 0;
}

type Made = { path: string; mediaType: string; ms: number; poster: Buffer | null };

/** One form that every browser plays, of the stretch that is the clip, and a picture of it to show before. */
async function render(source: string, folder: string, mediaType: string, clip: ClipRecord): Promise<Made> {
  const input = [
    '-protocol_whitelist',
    'file',
    '-f',
    readerFor(mediaType),
    '-i',
    source,
    '-ss',
    seconds(clip.from),
    '-t',
    seconds(Math.min(LIMITS.clipMs, (clip.to ?? LIMITS.clipMs) - clip.from)),
    '-map_metadata',
    '-1',
    '-threads',
    '2',
  ];
  const sound = ['-map', '0:a:0?', '-c:a', 'aac', '-b:a', '96k', '-ac', '2'];
  const path = join(folder, 'made.mp4');
  const picture = [
    '-map',
    '0:v:0',
    '-c:v',
    'libx264',
    '-preset',
    'veryfast',
    '-crf',
    '26',
    '-pix_fmt',
    'yuv420p',
    '-vf',
    "scale='min(1280,iw)':-2,fps=30",
  ];
  await ffmpeg([...input, ...(clip.video ? picture : ['-vn']), ...sound, '-movflags', '+faststart', path]);
  const ms = await lengthOf(path);
  if (ms === 0 || (await stat(path)).size === 0) throw new Unplayable('Nothing of it can be played.');
  if (!clip.video) return { path, mediaType: 'audio/mp4', ms, poster: null };
  const frame = join(folder, 'poster.png');
  await ffmpeg(['-ss', seconds(Math.min(500, ms / 2)), '-i', path, '-frames:v', '1', frame]);
  const poster = await sharp(await readFile(frame))
    .webp({ quality: 80 })
    .toBuffer();
  return { path, mediaType: 'video/mp4', ms, poster };
}

/**
 * Makes a finished recording playable; what was trimmed off is gone afterwards. Does nothing where that is done already, so
 * it may be asked any number of times.
 */
export async function makeClip(deps: FileDeps, id: string): Promise<void> {
  const [file, clip] = [await fileById(deps.db, id), await clipOf(deps.db, id)];
  if (!file?.sha256 || !file.mediaType || clip?.state !== 'waiting') return;
  const recorded = file.sha256;
  const folder = await mkdtemp(join(tmpdir(), 'pulpit-clip-'));
  try {
    const source = join(folder, 'recorded');
    const content = await deps.files.read(recorded);
    await pipeline(Readable.fromWeb(content as ReadableStream<Uint8Array>), createWriteStream(source));
    const made = await render(source, folder, file.mediaType, clip);
    const sum = await sumOf(made.path);
    const poster = made.poster ? sha256(made.poster) : null;
    const bytes = await readFile(made.path);
    await deps.db.transaction(async (tx) => {
      for (const content of [recorded, sum, poster]) if (content) await lockContent(tx, content);
      await deps.files.put(sum, bytes);
      if (made.poster && poster) await deps.files.put(poster, made.poster);
      await noteContent(tx, id, {
        sha256: sum,
        name: safeName(`${clip.title || 'clip'}.${clip.video ? 'mp4' : 'm4a'}`),
        mediaType: made.mediaType,
        bytes: bytes.length,
        width: null,
        height: null,
      });
      await noteMade(tx, id, { state: 'ready', ms: made.ms, poster, now: deps.now });
      if (!(await contentIsHeld(tx, recorded))) await deps.files.remove(recorded);
    });
  } catch (error) {
    if (!(error instanceof Unplayable)) throw error;
    await noteMade(deps.db, id, { state: 'failed', now: deps.now });
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
