import { z } from 'zod';
import type { draftPlaceSchema, DraftVersionLine } from '@/contract/writing';
import { postId } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { fail, ok, type Result } from '@/core/result';
import { versionsOf, versionText } from '@/db/queries/draft-versions';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** The earlier versions of one of the reader's own drafts, newest first. Nobody else's can be asked for. */
export async function draftVersions(
  deps: Deps,
  actor: Actor,
  slug: string,
  place: z.infer<typeof draftPlaceSchema>,
): Promise<Result<DraftVersionLine[], NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  return ok(
    await versionsOf(deps.db, {
      author: actor.id,
      discussion: door.value.record.id,
      kind: place.kind,
      parent: place.parent ? postId(place.parent) : null,
      edits: place.edits ? postId(place.edits) : null,
    }),
  );
}

/** The text of one earlier version of one's own. */
export async function draftVersion(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
): Promise<Result<{ title: string; doc: Doc }, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const text = z.uuid().safeParse(id).success
    ? await versionText(deps.db, { author: actor.id, discussion: door.value.record.id }, id)
    : null;
  return text ? ok(text) : fail({ code: 'not-found' });
}
