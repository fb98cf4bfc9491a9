/**
 * Why something that was brought was not read: it took longer than is given to it, more memory, or its person has too much
 * waiting already. Nothing else is the matter with it, and nothing was changed.
 */
export type NotRead = { code: 'not-read'; why: 'time' | 'memory' | 'queue' };
