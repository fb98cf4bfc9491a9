import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { storable } from '@/core/document/document';
import type { CourseId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { insertAnnouncement } from '@/db/queries/announcements';
import {
  insertTrouble,
  openTroubles,
  openTroublesBy,
  settleTroubles,
  type TroublePlace,
} from '@/db/queries/troubles';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterReading } from '../notes/notes';
import { enterDesk } from './enter';

/** So much of what one person says is broken may wait to be looked at. */
const MOST_OPEN = 20;

export const saidSchema = z
  .string()
  .max(2_000)
  .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().min(1).max(600));

/** The place something is said of: a discussion or a reading one can enter, of a course that is held here. */
async function placeAt(
  deps: Deps,
  actor: Actor,
  kind: TroublePlace['kind'],
  slug: string,
): Promise<{ course: CourseId; id: string } | null> {
  if (kind === 'readings') {
    const door = await enterReading(deps, actor, slug);
    return door.ok && !door.value.outside ? { course: door.value.course, id: door.value.reading } : null;
  }
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok || door.value.record.course.outside) return null;
  return { course: door.value.record.course.id, id: door.value.record.id };
}

/** Says that something is broken in a prompt or a reading, in what stands there or what it links to. Its staff read it, and who says so. */
export async function reportTrouble(
  deps: Deps,
  actor: Actor,
  kind: TroublePlace['kind'],
  slug: string,
  said: z.output<typeof saidSchema>,
): Promise<Result<null, NotFound | { code: 'too-many' }>> {
  const place = await placeAt(deps, actor, kind, slug);
  if (!place) return fail({ code: 'not-found' });
  if ((await openTroublesBy(deps.db, place.course, actor.id)) >= MOST_OPEN) return fail({ code: 'too-many' });
  await insertTrouble(deps.db, {
    id: randomUUID(),
    course: place.course,
    place: { kind, id: place.id },
    person: actor.id,
    said,
    now: deps.now,
  });
  return ok(null);
}

export const mendedSchema = z.object({
  kind: z.enum(['discussions', 'readings']),
  slug: z.string().max(200),
  note: z
    .string()
    .max(2_000)
    .transform((text) => storable(text).trim())
    .default(''),
});

/** Something is mended, or is as it should be: whoever had said otherwise hears so, each alone. */
export async function settleTrouble(
  deps: Deps,
  actor: Actor,
  slug: string,
  { kind, slug: at, note }: z.output<typeof mendedSchema>,
): Promise<Result<null, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    const open = await openTroubles(tx, course.id);
    const place = open.find((t) => t.place.kind === kind && t.place.slug === at)?.place;
    if (!place) return fail({ code: 'not-found' as const });
    const people = await settleTroubles(tx, course.id, place, deps.now);
    await insertAnnouncement(tx, {
      course: course.id,
      id: randomUUID(),
      author: actor.id,
      title: `Looked at: ${place.title}`.slice(0, 200),
      body: note || 'What you said was wrong there is mended. Thank you for saying it.',
      postedAt: deps.now,
      people,
    });
    return ok(null);
  });
}
