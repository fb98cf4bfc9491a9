import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { randomBytes } from 'node:crypto';
import { dirname } from 'node:path';
import { BOX_KEY_BYTES, boxOf, type Box } from '@/server/secrets/box';
import type { Config } from './config';

const bytesOf = (text: string, where: string): Buffer => {
  const bytes = Buffer.from(text.trim(), 'base64url');
  if (bytes.length !== BOX_KEY_BYTES)
    throw new Error(`${where} holds no secret of ${BOX_KEY_BYTES} bytes in base64.`);
  return bytes;
};

const missing = (error: unknown) => (error as NodeJS.ErrnoException).code === 'ENOENT';
const there = (error: unknown) => (error as NodeJS.ErrnoException).code === 'EEXIST';

/** The secret in a file that only this process's user reads; made where there is none. */
function fromFile(file: string): Buffer {
  try {
    return bytesOf(readFileSync(file, 'utf8'), file);
  } catch (error) {
    if (!missing(error)) throw error;
  }
  mkdirSync(dirname(file), { recursive: true });
  try {
    writeFileSync(file, `${randomBytes(BOX_KEY_BYTES).toString('base64url')}\n`, { mode: 0o600, flag: 'wx' });
  } catch (error) {
    // Another process made it in the same moment.
    if (!there(error)) throw error;
  }
  return bytesOf(readFileSync(file, 'utf8'), file);
}

/** The box that this installation seals with: by PULPIT_SECRET, or by the file. */
export const boxFor = ({ secret, secretFile }: Pick<Config, 'secret' | 'secretFile'>): Box =>
  boxOf(secret === null ? fromFile(secretFile) : bytesOf(secret, 'PULPIT_SECRET'));
