import { createHash } from 'node:crypto';

/** SHA-256 in hexadecimal: what a receipt's fingerprint is. */
export const sha256 = (content: string | Uint8Array) => createHash('sha256').update(content).digest('hex');
