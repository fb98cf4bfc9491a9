import { randomBytes } from 'node:crypto';
import { courseSlug } from '@/core/ids';
import type { Db } from '@/db/connection';
import { isNameTaken } from '@/db/queries/take-over';

/** What of a course's code can stand in the name of something in it: letters of other scripts are not in such names. */
export const plainName = (code: string): string =>
  courseSlug(code)
    .replace(/[^a-z0-9-]+/gu, '')
    .replace(/^-+|-+$/gu, '')
    .replace(/-{2,}/gu, '-') || 'course';

/** A name in addresses that nothing else has: as wished, and where that is taken, with something by chance behind it. */
export const freeName = async (db: Db, wished: string): Promise<string> =>
  (await isNameTaken(db, wished)) ? `${wished}-${randomBytes(3).toString('hex')}` : wished;
