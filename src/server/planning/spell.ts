import { nextSpell } from '@/core/planning/spells';
import type { DiscussionId, Instant, PersonId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { insertSpell, latestSpell, updateSpell } from '@/db/queries/planning';

/** Notes that a draft was kept with so many words: that is all the history of writing there is, and no text is in it. */
export async function noteSpell(
  db: Db,
  at: { person: PersonId; discussion: DiscussionId; now: Instant },
  words: number,
) {
  const before = await latestSpell(db, at.person, at.discussion);
  const { opens, spell } = nextSpell(before, at.now, words);
  if (opens || !before) await insertSpell(db, at.person, at.discussion, spell);
  else await updateSpell(db, before.id, spell);
}
