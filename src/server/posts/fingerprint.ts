import { createHash } from 'node:crypto';

/** SHA-256 in hexadecimal: what a receipt's fingerprint is. */
export const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
