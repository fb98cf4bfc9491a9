import { instant, type Instant } from '../ids';

/** A spell as it stands: it grows with each keeping of the draft. */
export type OpenSpell = {
  startedAt: Instant;
  endedAt: Instant;
  wordsAtEnd: number;
  wordsAdded: number;
  writingSeconds: number;
  proofreadingSeconds: number;
};

/** A longer pause begins a new spell. */
const PAUSE_MS = 5 * 60_000;
/** Words that come faster than this were pasted: neither they nor their moment say anything about writing. */
const PASTED_PER_SECOND = 3;

/**
 * The spell after a draft was kept with so many words in it. Time in which words were added is writing, time in which
 * none were is proofreading. A first keeping, or one after a pause, opens a spell of no length.
 *
 * @example nextSpell(null, now, 12) // opens one, of no length
 */
export function nextSpell(
  spell: OpenSpell | null,
  now: Instant,
  words: number,
): { opens: boolean; spell: OpenSpell } {
  const since = spell ? now - spell.endedAt : Infinity;
  if (!spell || since < 0 || since > PAUSE_MS) {
    return {
      opens: true,
      spell: {
        startedAt: now,
        endedAt: now,
        wordsAtEnd: words,
        wordsAdded: 0,
        writingSeconds: 0,
        proofreadingSeconds: 0,
      },
    };
  }
  const seconds = Math.round(since / 1_000);
  const added = words - spell.wordsAtEnd;
  const pasted = added > 15 && added > PASTED_PER_SECOND * Math.max(1, seconds);
  const writes = added > 0 && !pasted;
  return {
    opens: false,
    spell: {
      ...spell,
      endedAt: instant(Math.max(now, spell.endedAt)),
      wordsAtEnd: words,
      wordsAdded: spell.wordsAdded + (writes ? added : 0),
      writingSeconds: spell.writingSeconds + (writes ? seconds : 0),
      proofreadingSeconds: spell.proofreadingSeconds + (writes || pasted ? 0 : seconds),
    },
  };
}
