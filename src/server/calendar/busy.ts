import { randomUUID } from 'node:crypto';
import type { ImportProblem } from '@/core/calendar/import';
import { instant, type Instant } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { busyCalendars, deleteBusyCalendar, replaceBusyCalendar } from '@/db/queries/planning';
import type { Actor, Deps } from '../deps';
import type { NotRead } from '@/contract/not-read';
import { readFor } from '../readers/readers';

/** Of a larger file only the beginning is read. */
export const MOST_CALENDAR_BYTES = 5_000_000;

const DAY_MS = 86_400_000;
const BACK_MS = 31 * DAY_MS;
const AHEAD_MS = 200 * DAY_MS;

export type ImportedCalendar = {
  id: string;
  name: string;
  importedAt: Instant;
  coversUntil: Instant;
  times: number;
  problems: ImportProblem[];
};

const cleanName = (name: string) =>
  name
    .replace(/^.*[/\\]/u, '')
    .replace(/\p{Cc}/gu, '')
    .replace(/\.(ics|ical|ifb)$/iu, '')
    .trim()
    .slice(0, 120) || 'Calendar';

/**
 * Takes a person's busy times from an `.ics` file, from a month ago to half a year ahead, in place of an earlier import
 * of the same name. What is sound is kept; what is not is named with its line. Nothing is changed by a file that is
 * no calendar at all.
 */
export async function importCalendar(
  deps: Deps,
  actor: Actor,
  file: { name: string; bytes: Uint8Array; cut: boolean },
): Promise<Result<{ id: string; times: number }, NotRead | { code: 'not-a-calendar' }>> {
  const window = {
    from: instant(deps.now - BACK_MS),
    to: instant(deps.now + AHEAD_MS),
    zone: actor.timeZone,
  };
  const read = await readFor(deps, actor, 'calendar', { bytes: file.bytes, window, cut: file.cut });
  if (!read.ok) return read;
  const { busy, problems } = read.value;
  if (problems.some((p) => p.code === 'not-a-calendar')) return fail({ code: 'not-a-calendar' });
  const id = randomUUID();
  await deps.db.transaction((tx) =>
    replaceBusyCalendar(
      tx,
      actor.id,
      { id, name: cleanName(file.name), importedAt: deps.now, coversUntil: window.to, problems },
      busy,
    ),
  );
  return ok({ id, times: busy.length });
}

export async function importedCalendars(deps: Deps, actor: Actor): Promise<ImportedCalendar[]> {
  const found = await busyCalendars(deps.db, actor.id);
  return found.map((c) => ({ ...c, problems: c.problems as ImportProblem[] }));
}

export const removeCalendar = (deps: Deps, actor: Actor, id: string) =>
  deleteBusyCalendar(deps.db, actor.id, id);
