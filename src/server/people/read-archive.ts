import { unzipSync } from 'fflate';
import { z } from 'zod';
import { documentsIn, readOwnCourses, type OwnCourses } from '@/core/people/own-courses';
import { filesIn } from '@/core/document/attachments';
import { fail, ok, type Result } from '@/core/result';

/** Where in an archive one's own courses stand. */
export const OWN_COURSES = 'own courses';
const PATH = `data/${OWN_COURSES}.json`;
const FILES = 'data/files.json';
const MOST = 60_000_000;

const placesSchema = z.array(z.object({ id: z.uuid(), path: z.string(), name: z.string() })).max(20_000);

/** A file that texts of an archive carry, by the id they know it by. */
export type ArchivedFile = { id: string; name: string; bytes: Uint8Array };

export type ArchiveRead = { courses: OwnCourses; files: ArchivedFile[] };

/** Those of an archive's entries that are asked for, as far as they fit; null where it is no archive. */
function entries(bytes: Uint8Array, wanted: (name: string) => boolean, most: number) {
  let left = most;
  let large = false;
  try {
    const found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!wanted(name)) return false;
        const fits = originalSize <= left;
        if (fits) left -= originalSize;
        else large = true;
        return fits;
      },
    });
    return { found, large };
  } catch {
    // fflate throws plain errors for whatever is wrong with an archive.
    return null;
  }
}

function jsonOf(bytes: Uint8Array | undefined): unknown {
  try {
    return bytes && JSON.parse(new TextDecoder().decode(bytes));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return undefined;
  }
}

/** One's own courses out of an archive of everything of a person, with the files that their texts carry. Nothing else of it is unpacked. */
export function readArchive(
  bytes: Uint8Array,
): Result<
  ArchiveRead,
  | { code: 'no-archive' | 'no-courses' | 'too-large' | 'not-own-courses' | 'newer' }
  | { code: 'malformed'; where: string }
> {
  const data = entries(bytes, (name) => name === PATH || name === FILES, MOST);
  if (!data) return fail({ code: 'no-archive' });
  if (data.large) return fail({ code: 'too-large' });
  if (!data.found[PATH]) return fail({ code: 'no-courses' });
  const read = readOwnCourses(jsonOf(data.found[PATH]));
  if (!read.ok) return read;
  const carried = new Set(documentsIn(read.value).flatMap(filesIn));
  // An archive of before has no list: what its texts carried stays in it.
  const places = placesSchema.safeParse(jsonOf(data.found[FILES]));
  const wanted = places.success ? places.data.filter((f) => carried.has(f.id)) : [];
  const paths = new Set(wanted.map((f) => f.path));
  const unpacked = paths.size ? entries(bytes, (name) => paths.has(name), MOST) : null;
  const files = wanted.flatMap(({ id, name, path }) => {
    const content = unpacked?.found[path];
    return content ? [{ id, name, bytes: content }] : [];
  });
  return ok({ courses: read.value, files });
}
