import { words } from '../text/words';

/** Another reply of the same writer in the discussion, and whom it answered. */
export type Earlier = { name: string; text: string };

/** Runs of so many words are compared: shorter ones everybody shares. */
const RUN = 4;
/** Of fewer words nothing is said: "Thank you, I see it now" may be said to two. */
const FEW = 12;
/** From so many of the shorter text's runs on the two are one text. */
const SAME = 0.6;

function runsOf(text: string): Set<string> {
  const all = words(text.toLowerCase().replaceAll('’', "'")).map((w) => w.text);
  return new Set(all.slice(RUN - 1).map((_, i) => all.slice(i, i + RUN).join(' ')));
}

/**
 * The earlier reply that this one nearly is, by the share of runs of four words that stand in both, of the shorter text's; null where
 * it is like none. A changed name or sentence does not make another text of it.
 *
 * @example repeatOf('Hi Jun, I wonder who pays for it in the end and who decides that', [{ name: 'Noor', text: 'Hi Noor, I wonder who pays for it in the end and who decides that' }])?.name // 'Noor'
 */
export function repeatOf(text: string, earlier: readonly Earlier[]): Earlier | null {
  const mine = runsOf(text);
  if (mine.size < FEW - RUN + 1) return null;
  let best: Earlier | null = null;
  let most = SAME;
  for (const other of earlier) {
    const theirs = runsOf(other.text);
    if (theirs.size < FEW - RUN + 1) continue;
    const both = [...mine].filter((run) => theirs.has(run)).length;
    const share = both / Math.min(mine.size, theirs.size);
    if (share >= most) [best, most] = [other, share];
  }
  return best;
}
