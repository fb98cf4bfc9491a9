import { unzipSync } from 'fflate';
import { readOwnCourses, type OwnCourses } from '@/core/people/own-courses';
import { fail, type Result } from '@/core/result';

/** Where in an archive one's own courses stand. */
export const OWN_COURSES = 'own courses';
const PATH = `data/${OWN_COURSES}.json`;
const MOST = 60_000_000;

/** One's own courses out of an archive of everything of a person. Nothing else of it is unpacked. */
export function readArchive(
  bytes: Uint8Array,
): Result<
  OwnCourses,
  | { code: 'no-archive' | 'no-courses' | 'too-large' | 'not-own-courses' | 'newer' }
  | { code: 'malformed'; where: string }
> {
  let large = false;
  let found: Record<string, Uint8Array>;
  try {
    found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== PATH) return false;
        large = originalSize > MOST;
        return !large;
      },
    });
  } catch {
    // fflate throws plain errors for whatever is wrong with an archive.
    return fail({ code: 'no-archive' });
  }
  if (large) return fail({ code: 'too-large' });
  const own = found[PATH];
  if (!own) return fail({ code: 'no-courses' });
  try {
    return readOwnCourses(JSON.parse(new TextDecoder().decode(own)));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return fail({ code: 'not-own-courses' });
  }
}
