import type { Doc } from '@/core/document/nodes';
import { namedIn, withKnownNames, type NamedPerson, type NamedPost } from '@/core/document/names';
import { postId, type Role } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { peopleOf } from '@/db/queries/courses';
import type { PostOutline } from '@/db/queries/posts';
import { enterRoom, type Entered, type NotFound } from '../access/enter';
import { visibleOutlines, visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';

const OPENING_LENGTH = 60;

/** A private reply's number is nobody's business but its two readers'. */
const nameable = (p: PostOutline) => !p.withdrawn && !p.hidden && p.privateTo === null;

/** Whom and which posts a text in a discussion may name: those enrolled, and the posts its writer may read now. */
export async function namesFor(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<{ people: (NamedPerson & { role: Role })[]; posts: NamedPost[] }, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const [people, { posts }] = await Promise.all([
    peopleOf(deps.db, record.course.id),
    visibleOutlines(deps.db, actor, door.value),
  ]);
  return ok({
    people: people.filter((p) => p.id !== actor.id).map(({ id, name, role }) => ({ id, name, role })),
    posts: posts.filter(nameable).map((p) => ({
      id: p.id,
      author: p.author.name,
      opening: p.opening.slice(0, OPENING_LENGTH),
    })),
  });
}

/** A text as it may be kept: names of people who are not in the course, and posts one may not read, are words only. */
export async function sanitiseNames(db: Db, actor: Actor, entered: Entered, doc: Doc): Promise<Doc> {
  const named = namedIn(doc);
  if (named.people.length === 0 && named.posts.length === 0) return doc;
  const people = named.people.length ? await peopleOf(db, entered.record.course.id) : [];
  const readable = named.posts.length ? await visiblePosts(db, actor, entered, named.posts.map(postId)) : [];
  const names = new Map<string, string>(people.map((p) => [p.id, p.name]));
  const posts = new Set(readable.filter(nameable).map((p) => p.id));
  return withKnownNames(doc, {
    person: (id) => names.get(id) ?? null,
    post: (id) => posts.has(postId(id)),
  });
}
