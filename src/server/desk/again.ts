import { z } from 'zod';
import type { AgainPage } from '@/contract/desk';
import { fail, ok, type Result } from '@/core/result';
import { studentsAmong } from '@/db/queries/class';
import { peopleOf } from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { touchesIf } from './asked-first';
import { discussionOnDesk, enterDesk } from './enter';
import { people, when } from './fields';
import { giveTime } from './give-time';
import { giveParts } from './parts-played';

const some = people.min(1);

/** What can be asked again, as its address says it: why it is done stands in no address, and is asked for anew. */
export const againSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('extend'), people: some, responseDue: when, repliesDue: when }),
  z.object({ act: z.literal('excuse'), people: some }),
  z.object({ act: z.literal('usual'), people: some }),
  z.object({ act: z.literal('lead'), people }),
  z.object({ act: z.literal('side'), people: some, side: z.enum(['1', '2', '']) }),
]);
type Again = z.output<typeof againSchema>;

/** What an act for single students would do to those who have shared something: it is tried, and nothing of it stays. */
export async function againPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  act: Again,
): Promise<Result<AgainPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    const found = await discussionOnDesk(tx, actor, course, name);
    if (!found.ok) return found;
    const { record } = found.value;
    const chosen = await studentsAmong(tx, course.id, act.people);
    if (chosen.length < new Set(act.people).size) return fail({ code: 'not-found' });
    const place = { course: course.id, discussion: record.id };
    const { each, stamp } = await touchesIf(deps, tx, course, [record], (inner) =>
      act.act === 'side' || act.act === 'lead'
        ? giveParts(inner, actor, course, found.value, act, chosen)
        : giveTime(
            deps.now,
            inner,
            actor,
            found.value,
            place,
            chosen,
            act.act === 'usual' ? act : { ...act, reason: '' },
          ),
    );
    const names = new Map((await peopleOf(tx, course.id)).map((p) => [p.id, p.name] as const));
    const asked = { responseDue: '', repliesDue: '', side: '', ...act };
    const side = asked.side ? record.brief.sides?.[Number(asked.side) - 1] : undefined;
    return ok({
      course,
      discussion: { slug: name, title: record.title },
      asked: {
        act: asked.act,
        responseDue: asked.responseDue,
        repliesDue: asked.repliesDue,
        side: asked.side,
      },
      people: chosen.map((id) => ({ id, name: names.get(id) ?? '' })),
      side: side ?? '',
      touched: each[0]?.touched ?? [],
      stamp,
    });
  });
}
