import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { fileTypeFromBuffer } from 'file-type/core';
import sharp from 'sharp';

const HEAD = 64 * 1_024;
const PICTURES = new Set(['image/jpeg', 'image/png', 'image/webp', 'image/gif', 'image/avif', 'image/tiff']);
/** What a computer runs is nothing to hand to classmates. */
const PROGRAMS = new Set([
  'application/x-msdownload',
  'application/x-elf',
  'application/x-mach-binary',
  'application/x-apple-diskimage',
  'application/java-vm',
  'application/x-shockwave-flash',
  'application/vnd.android.package-archive',
  'application/vnd.microsoft.portable-executable',
]);

export const MOST_PIXELS = 60_000_000;
const LONGEST_SIDE = 1_600;
const MOST_FRAMES = 300;

export type Identified =
  | { kind: 'picture'; content: Buffer; mediaType: 'image/webp'; width: number; height: number }
  | { kind: 'file'; mediaType: string }
  | { kind: 'program' }
  | { kind: 'broken-picture' };

const isText = (head: Buffer, whole: boolean): boolean => {
  if (head.includes(0)) return false;
  try {
    // A cut character at the end of the first stretch is no fault of the text.
    new TextDecoder('utf-8', { fatal: true }).decode(head, { stream: !whole });
    return true;
  } catch {
    return false;
  }
};

/** The sum of a file's content. */
export async function sumOf(path: string): Promise<string> {
  const sum = createHash('sha256');
  for await (const piece of createReadStream(path)) sum.update(piece as Buffer);
  return sum.digest('hex');
}

let working = 0;
const queue: (() => void)[] = [];
/** Decoding a picture takes many times the memory of its file: two at a time, whoever asks. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (working >= 2) await new Promise<void>((go) => queue.push(go));
  else working += 1;
  try {
    return await work();
  } finally {
    const next = queue.shift();
    if (next) next();
    else working -= 1;
  }
}

/** The type that a content's beginning tells; null where it tells none, or breaks who looks into it. */
async function typeOf(head: Buffer): Promise<string | null> {
  try {
    return (await fileTypeFromBuffer(head))?.mime ?? null;
  } catch {
    // An archive is unpacked to be told from another: one that is broken throws whatever the unpacker says.
    return null;
  }
}

/** Whether a picture is several, shown one after the other, and no more of them than can be drawn anew. */
async function moves(path: string): Promise<boolean> {
  const { pages = 1, width, height } = await sharp(path, { limitInputPixels: MOST_PIXELS }).metadata();
  return pages > 1 && pages <= MOST_FRAMES && width * height * pages <= MOST_PIXELS;
}

/**
 * What a file is, by its content and never by its name. A picture is drawn anew: at most 1600 pixels a side, upright,
 * without place, camera or anything else that was not the picture. What only looks like one is no picture.
 */
export async function identify(path: string): Promise<Identified> {
  const file = await open(path, 'r');
  const buffer = Buffer.alloc(HEAD);
  const { bytesRead } = await file.read(buffer, 0, HEAD, 0).finally(() => file.close());
  const head = buffer.subarray(0, bytesRead);
  const mediaType = await typeOf(head);
  if (mediaType && PROGRAMS.has(mediaType)) return { kind: 'program' };
  if (head.subarray(0, 2).toString('latin1') === '#!') return { kind: 'file', mediaType: 'text/plain' };
  if (mediaType && PICTURES.has(mediaType)) {
    try {
      const { data, info } = await inTurn(async () =>
        sharp(path, { limitInputPixels: MOST_PIXELS, failOn: 'error', animated: await moves(path) })
          .timeout({ seconds: 10 })
          .autoOrient()
          .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
          .webp({ quality: 82 })
          .toBuffer({ resolveWithObject: true }),
      );
      return {
        kind: 'picture',
        content: data,
        mediaType: 'image/webp',
        width: info.width,
        // Of one that moves the height is one picture's.
        height: info.pageHeight ?? info.height,
      };
    } catch {
      // Whatever the decoder stumbled over, it is not a picture that could be shown.
      return { kind: 'broken-picture' };
    }
  }
  // Pages, drawings and scripts in text are text: they are shown as written and never run.
  if ((!mediaType || /xml|html|^text\//u.test(mediaType)) && isText(head, bytesRead < HEAD))
    return { kind: 'file', mediaType: 'text/plain' };
  // What a browser might run or draw by itself is not called by its name.
  return {
    kind: 'file',
    mediaType: mediaType && !/xml|html/u.test(mediaType) ? mediaType : 'application/octet-stream',
  };
}
