import { addingSource, shelving, takingSource } from '@/contract/sources';
import { ok } from '@/core/result';
import { addToShelf, shelfOf, takeFromShelf } from '@/server/sources/shelf';
import { json } from '../../../_request/endpoint';

/** One's shelf of sources in this course, each as the styles cite it. */
export const GET = json('write', shelving, ({ who, params }) => shelfOf(who.deps, who.actor, params.slug));

/** Puts sources on the shelf. */
export const POST = json('write', addingSource, ({ who, params, input }) =>
  addToShelf(who.deps, who.actor, params.slug, input),
);

/** Takes one off it. */
export const DELETE = json('write', takingSource, async ({ who, input }) => {
  await takeFromShelf(who.deps, who.actor, input.id);
  return ok(null);
});
