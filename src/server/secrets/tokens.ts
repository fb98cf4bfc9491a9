import { createHash, randomBytes } from 'node:crypto';

/** Something that lets whoever has it in: 256 bits by chance, in letters that stand in an address. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of it. By so much chance a plain hash cannot be turned round, and needs no salt. */
export const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();
