import { discussionId, instant, type Instant, type PersonId } from '@/core/ids';
import type { Deps } from '@/server/deps';
import * as setup from '@/server/setup/setup';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** Imani's sittings so far: weeks ago, words, minutes of writing and of reading over. Evenings, mostly short. */
const SITTINGS: [string, number, number, number, number][] = [
  ['geo-115-w1', 36, 96, 14, 3],
  ['geo-115-w1', 34, 44, 6, 2],
  ['pla-204-w2', 30, 102, 12, 4],
  ['geo-115-w2', 29, 71, 9, 2],
  ['geo-115-w2', 28, 64, 11, 3],
  ['snd-130-w3', 22, 118, 12, 2],
  ['geo-115-w3', 21, 140, 20, 5],
  ['geo-115-w3', 20, 52, 5, 2],
  ['pla-204-w4', 15, 110, 14, 3],
  ['geo-115-w4', 14, 88, 14, 3],
  ['snd-130-w5', 8, 124, 16, 3],
  ['geo-115-w5', 7, 150, 19, 6],
  ['pla-204-w6', 1, 131, 17, 3],
  ['geo-115-w6', 0, 119, 19, 2],
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
