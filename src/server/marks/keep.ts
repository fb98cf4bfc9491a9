import type { z } from 'zod';
import type { keepMarkSchema } from '@/contract/marks';
import { storable } from '@/core/document/document';
import { isBlank } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { EMPTY_MARK, schemeOf, type Mark, type Way } from '@/core/marks/mark';
import { isUnread } from '@/core/marks/second';
import { ask } from '@/db/ask';
import type { DiscussionWithPrompt } from '@/db/queries/discussions';
import { studentsAmong } from '@/db/queries/class';
import { markingIn, putMarking } from '@/db/queries/marking';
import { setReleaseAt, setWay } from '@/db/queries/marks';
import { instantOf } from '@/core/deadlines/wallclock';
import type { CourseId, DiscussionId, PersonId } from '@/core/ids';
import { putSecond, secondsIn } from '@/db/queries/second-readings';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { materialText } from '../courses/material';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { markedBy } from './class-marks';

/** A discussion whose marks one may write. */
export async function placeOf(deps: Deps, actor: Actor, slug: string, name: string) {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const { record } = found.value;
  return ok({ course: door.value.id, discussion: record.id, zone: door.value.zone, record });
}

/** A mark as it is kept: words that the database can hold, and files of the writer's own or that were there before. */
async function kept(
  deps: Deps,
  actor: Actor,
  course: CourseId,
  mark: Mark,
  before: Mark | null,
): Promise<Mark> {
  const more = mark.more && (await materialText(deps.db, actor, course, mark.more, before?.more ?? null));
  return {
    ...mark,
    override: mark.override && { ...mark.override, reason: storable(mark.override.reason) },
    remark: storable(mark.remark),
    more: more?.ok && !isBlank(more.value) ? more.value : null,
    comments: mark.comments.map((c) => ({
      ...c,
      body: storable(c.body),
      instead: c.instead === null ? null : storable(c.instead),
    })),
  };
}

/** Whether somebody has to read a part a second time before its mark is theirs to see. */
async function isHeld(
  deps: Deps,
  actor: Actor,
  { record, ...place }: { course: CourseId; discussion: DiscussionId; record: DiscussionWithPrompt },
  person: PersonId,
): Promise<boolean> {
  const second = (await ask(secondsIn(deps.db, place))).find((s) => s.person === person);
  return second?.reader.id === actor.id && isUnread(schemeOf(markedBy(record)), second);
}

type Meanwhile = { code: 'changed-meanwhile'; mark: Mark; revision: number; marker: string };

/** Keeps what staff write of a student's part. Of two who write on the same, the later is told of the earlier and overwrites nothing. */
export async function keepMark(
  deps: Deps,
  actor: Actor,
  at: { slug: string; name: string; person: string },
  sent: z.output<typeof keepMarkSchema>,
): Promise<Result<{ revision: number }, NotFound | Meanwhile | { code: 'second-first' }>> {
  const place = await placeOf(deps, actor, at.slug, at.name);
  if (!place.ok) return place;
  const [person] = await studentsAmong(deps.db, place.value.course, [at.person]);
  if (!person) return fail({ code: 'not-found' as const });
  const { base } = sent;
  if ('mark' in sent && sent.second)
    return keepSecond(deps, actor, { ...place.value, person }, sent.mark, base);
  if (await isHeld(deps, actor, place.value, person)) return fail({ code: 'second-first' as const });
  // Of a part, the rest is as it stands: should that be another keeping than `base`, nothing is kept.
  const [before] = 'part' in sent || sent.mark.more ? await ask(markingIn(deps.db, place.value, person)) : [];
  const mark = 'mark' in sent ? sent.mark : { ...(before?.mark ?? EMPTY_MARK), ...sent.part };
  const revision = await putMarking(
    deps.db,
    { ...place.value, person },
    {
      mark: await kept(deps, actor, place.value.course, mark, before?.mark ?? null),
      marker: actor.id,
      base,
      at: deps.now,
    },
  );
  if (revision !== null) return ok({ revision });
  const [theirs] = await ask(markingIn(deps.db, place.value, person));
  if (!theirs) return fail({ code: 'not-found' as const });
  return fail({
    code: 'changed-meanwhile' as const,
    mark: theirs.mark,
    revision: theirs.revision,
    marker: theirs.marker,
  });
}

/** Keeps what the reader of a second reading writes. */
async function keepSecond(
  deps: Deps,
  actor: Actor,
  place: { course: CourseId; discussion: DiscussionId; person: PersonId },
  mark: Mark,
  base: number,
): Promise<Result<{ revision: number }, NotFound | Meanwhile>> {
  const whole = await kept(deps, actor, place.course, mark, null);
  const written = { mark: whole, reader: actor.id, base, at: deps.now };
  const revision = await putSecond(deps.db, place, written);
  if (revision !== null) return ok({ revision });
  const found = (await ask(secondsIn(deps.db, place))).find((s) => s.person === place.person);
  if (found?.reader.id !== actor.id) return fail({ code: 'not-found' as const });
  return fail({
    code: 'changed-meanwhile' as const,
    mark: found.mark ?? EMPTY_MARK,
    revision: found.revision,
    marker: found.reader.name,
  });
}

/** Says how a discussion is marked. */
export async function chooseWay(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  way: Way | null,
): Promise<Result<null, NotFound>> {
  const place = await placeOf(deps, actor, slug, name);
  if (!place.ok) return place;
  await setWay(deps.db, place.value, way);
  return ok(null);
}

/** Says when, by the course's clock, what is written is released by itself; null for when somebody does. */
export async function chooseRelease(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  wall: string | null,
): Promise<Result<null, NotFound>> {
  const place = await placeOf(deps, actor, slug, name);
  if (!place.ok) return place;
  await setReleaseAt(deps.db, place.value, wall === null ? null : instantOf(wall, place.value.zone));
  return ok(null);
}
