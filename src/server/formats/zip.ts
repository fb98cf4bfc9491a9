import { unzipSync, zipSync } from 'fflate';

/** A document that unpacks to more than this nobody wrote. */
const MOST_UNPACKED = 60_000_000;
/** Its text alone. */
const MOST_XML = 4_000_000;
const MOST_ENTRIES = 2_000;

/**
 * What a document's archive holds, or null where it is none or unpacks to more than a document does. An entry is never
 * unpacked beyond the size it declares, and what is read later is only what was unpacked here.
 */
export function unzipped(bytes: Uint8Array): Map<string, Uint8Array> | null {
  let total = 0;
  let entries = 0;
  let fits = true;
  try {
    const found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        total += originalSize;
        entries += 1;
        fits &&= total <= MOST_UNPACKED && entries <= MOST_ENTRIES;
        fits &&= !/\.(?:xml|rels)$/iu.test(name) || originalSize <= MOST_XML;
        return fits;
      },
    });
    return fits ? new Map(Object.entries(found)) : null;
  } catch {
    // fflate throws plain errors for whatever is wrong with an archive.
    return null;
  }
}

/** The same entries as an archive of their own, not packed. `mimetype` stands first, as OpenDocument wants it. */
export function zipped(entries: ReadonlyMap<string, Uint8Array>, packed: boolean): Uint8Array {
  const first = entries.has('mimetype') ? ['mimetype'] : [];
  const names = [...first, ...[...entries.keys()].filter((name) => name !== 'mimetype')];
  return zipSync(
    Object.fromEntries(
      names.map((name) => [
        name,
        [entries.get(name) ?? new Uint8Array(), { level: packed && name !== 'mimetype' ? 6 : 0 }],
      ]),
    ),
  );
}
