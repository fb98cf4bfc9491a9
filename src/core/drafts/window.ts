/** Which page keeps a text, which of its keeps this is, and the page, gone by now, whose words it goes on with. */
export type Keep = { id: string; nth: number; after: string | null };
/** Of a draft as it stands: its revision, and the keep that made that revision. */
export type DraftNow = { revision: number; by: { id: string; nth: number; revision: number } | null };

/**
 * How a text stands to the draft it is to replace. A page may send its last words beside a keep that is still on its way, and
 * the two may cross: its own earlier keep is never another window's, and an earlier one never goes over a later.
 *
 * - `follows`: it was written on what is there.
 * - `overtaken`: what is there is a later text of the same page; nothing is to be kept.
 * - `apart`: another window changed the draft since, and its writer has not seen that.
 *
 * @example
 * // Sent as keep 2 of a page whose keep 1 made revision 5 meanwhile
 * standsTo({ revision: 5, by: { id: 'w', nth: 1, revision: 5 } }, 4, { id: 'w', nth: 2, after: null }); // 'follows'
 */
export function standsTo(
  draft: DraftNow,
  base: number,
  keep: Keep | null,
): 'follows' | 'overtaken' | 'apart' {
  // Whoever keeps without naming a page leaves the name of the one before: that says nothing of this revision.
  const by = draft.by?.revision === draft.revision ? draft.by : null;
  if (by && keep?.id === by.id) return keep.nth > by.nth ? 'follows' : 'overtaken';
  if (base === draft.revision || (by && keep?.after === by.id)) return 'follows';
  return 'apart';
}
