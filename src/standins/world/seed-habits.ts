import { discussionId, instant, type Instant, type PersonId } from '@/core/ids';
import type { Deps } from '@/server/deps';
import * as setup from '@/server/setup/setup';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** Imani's sittings so far: weeks ago, words, minutes of writing and of reading over. Evenings, mostly short. */
const SITTINGS: [string, number, number, number, number][] = [
  ['geo-115-w1', 36, 96, 9, 2],
  ['geo-115-w1', 34, 44, 4, 1],
  ['pla-204-w2', 30, 102, 8, 3],
  ['geo-115-w2', 29, 71, 6, 1],
  ['geo-115-w2', 28, 64, 7, 2],
  ['snd-130-w3', 22, 118, 8, 1],
  ['geo-115-w3', 21, 140, 13, 4],
  ['geo-115-w3', 20, 52, 3, 1],
  ['pla-204-w4', 15, 110, 9, 2],
  ['geo-115-w4', 14, 88, 9, 2],
  ['snd-130-w5', 8, 124, 10, 2],
  ['geo-115-w5', 7, 150, 12, 5],
  ['pla-204-w6', 1, 131, 11, 2],
  ['geo-115-w6', 0, 119, 12, 1],
];

/** Lays out a history of work for one student, so that the demo's estimates are somebody's own. */
export async function addHistory(
  tx: Deps['db'],
  person: PersonId,
  now: Instant,
  idOf: (kind: string, name: string) => string,
) {
  await setup.addSpells(
    tx,
    SITTINGS.map(([slug, daysAgo, words, writing, proofreading]) => {
      const endedAt = instant(now - daysAgo * DAY_MS - 40 * MINUTE_MS);
      return {
        person,
        discussion: discussionId(idOf('discussion', slug)),
        spell: {
          startedAt: instant(endedAt - (writing + proofreading) * MINUTE_MS),
          endedAt,
          wordsAtEnd: words,
          wordsAdded: words,
          writingSeconds: writing * 60,
          proofreadingSeconds: proofreading * 60,
        },
      };
    }),
  );
}
