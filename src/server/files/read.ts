import { z } from 'zod';
import { fail, ok, type Result } from '@/core/result';
import { announcedTo } from '@/db/queries/announcements';
import { beginningCarrying } from '@/db/queries/beginnings';
import {
  fileById,
  handedCarrying,
  markCarrying,
  postsCarrying,
  promptCarrying,
  readingCarrying,
  type FileRecord,
} from '@/db/queries/files';
import { enterDiscussion, enterRoom, type NotFound } from '../access/enter';
import { enterCourse } from '../courses/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor } from '../deps';
import { enterReading } from '../notes/notes';
import type { FileDeps } from './receive';

export type ReadableFile = { sha256: string; name: string; mediaType: string; bytes: number };

/**
 * Who may see a file: its owner, and whoever may read the reading, the prompt, the announcement, the first page or the post that carries it,
 * and whom a released mark is for that it came with. Staff also see
 * what only an earlier version of a post carried, what comes with a mark that is being written, and a draft that was handed to them. There is no other way to a file, and to others there is no such file.
 */
export async function visibleFile(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<FileRecord, NotFound>> {
  const file = z.uuid().safeParse(id).success ? await fileById(deps.db, id) : null;
  if (!file) return fail({ code: 'not-found' });
  if (file.owner === actor.id) return ok(file);
  for (const carrying of await postsCarrying(deps.db, id)) {
    const door = await enterRoom(deps, actor, carrying.discussion);
    if (!door.ok) continue;
    const { staff } = door.value;
    const [post] = await visiblePosts(deps.db, actor, door.value, [carrying.post]);
    if (post && (staff || (carrying.now && !post.withdrawn && !post.hidden))) return ok(file);
  }
  // Readings and prompts are looked through, posts are looked up: so posts first, for theirs are nearly all files.
  const reading = await readingCarrying(deps.db, file);
  if (reading && (await enterReading(deps, actor, reading)).ok) return ok(file);
  const prompt = await promptCarrying(deps.db, file);
  if (prompt && (await enterDiscussion(deps, actor, prompt)).ok) return ok(file);
  const begins = await beginningCarrying(deps.db, file);
  if (begins && (await enterCourse(deps, actor, begins)).ok) return ok(file);
  if (await announcedTo(deps.db, actor.id, file.id, deps.now)) return ok(file);
  const marked = await markCarrying(deps.db, file, actor.id);
  const place = marked ? await enterDiscussion(deps, actor, marked.slug) : null;
  if (place?.ok && (marked?.released || place.value.staff)) return ok(file);
  const handed = await handedCarrying(deps.db, file);
  const desk = handed ? await enterDiscussion(deps, actor, handed) : null;
  if (desk?.ok && desk.value.staff) return ok(file);
  return fail({ code: 'not-found' });
}

/** A file's content for somebody who may see it. A recording has none before it is made into a clip. */
export async function readableFile(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<ReadableFile, NotFound>> {
  const visible = await visibleFile(deps, actor, id);
  if (!visible.ok) return visible;
  const { sha256, name, mediaType, bytes, clip } = visible.value;
  if (sha256 === null || mediaType === null || bytes === null || (clip && clip.state !== 'ready'))
    return fail({ code: 'not-found' });
  return ok({ sha256, name, mediaType, bytes });
}
