import { z } from 'zod';
import { FIELDS, type Field } from '@/core/outside/fields';
import {
  countCorrections,
  correctionRows,
  deleteCorrections,
  insertCorrections,
} from '@/db/queries/corrections';
import { logSteward } from '@/db/queries/steward-log';
import type { CorrectionsPage } from '@/contract/stewards';
import type { Deps } from '../deps';
import type { Steward } from '../stewards/enter';

const MOST_AT_ONCE = 40;
/** An installation keeps no more: whoever learns from so many has them as a file by then. */
const MOST_KEPT = 50_000;
const SHOWN = 200;

const text = z.string().max(600);
/** What a form gives with a clear yes. */
export const correctionsSchema = z
  .array(
    z.object({
      field: z.custom<Field>((f) => FIELDS.some((x) => x === f)),
      words: text,
      read: text,
      meant: text,
      sure: z.number().min(0).max(1),
    }),
  )
  .max(MOST_AT_ONCE);

/** Keeps what somebody put right and gave on; nothing says whose it was. */
export async function giveCorrections(
  deps: Pick<Deps, 'db' | 'now'>,
  given: z.infer<typeof correctionsSchema>,
): Promise<void> {
  if (given.length === 0 || (await countCorrections(deps.db)) + given.length > MOST_KEPT) return;
  await insertCorrections(deps.db, given, deps.now);
}

/** What was given, for a college to look at. */
export async function correctionsPage(deps: Pick<Deps, 'db'>): Promise<CorrectionsPage> {
  const [lines, total] = await Promise.all([correctionRows(deps.db, SHOWN), countCorrections(deps.db)]);
  return { lines, total };
}

/** All of it as a file to give on: a line each, as JSON (RFC 8259). */
export async function correctionsFile(deps: Pick<Deps, 'db'>): Promise<string> {
  const rows = await correctionRows(deps.db, MOST_KEPT);
  return rows.map((row) => `${JSON.stringify(row)}\n`).join('');
}

/** Forgets all of it, and says in the stewards' log that somebody did. */
export const forgetCorrections = (deps: Pick<Deps, 'db' | 'now'>, steward: Steward): Promise<void> =>
  deps.db.transaction(async (tx) => {
    const forgotten = await deleteCorrections(tx);
    if (forgotten > 0)
      await logSteward(tx, {
        steward: steward.id,
        act: 'corrections-forgotten',
        detail: { forgotten },
        now: deps.now,
      });
  });
