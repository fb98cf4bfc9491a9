import { randomUUID } from 'node:crypto';
import type { PostId } from '@/core/ids';
import { documentFromParts, documentFromText } from '@/core/document/compose';
import { plainText } from '@/core/document/flatten';
import type { Actor, Deps } from '@/server/deps';
import type { Conversation } from '@/contract/conversation-view';
import { conversation } from '@/server/discussions/conversation';
import { markRead } from '@/server/discussions/reading';
import { changePost } from '@/server/posts/change';
import { reactToPost } from '@/server/posts/react';
import { share } from '@/server/posts/share';
import { pick, type Random } from './random';
import { afterthought, replyText, responseTexts } from './texts';

export type Did = 'responded' | 'replied' | 'edited' | 'said well' | 'read' | 'nothing';
export type Act = { did: Did; post: PostId | null; to: string | null };

const NOTHING: Act = { did: 'nothing', post: null, to: null };

/** How often a classmate who may do all of it does each. */
const WAYS: [Did, number][] = [
  ['replied', 0.5],
  ['read', 0.2],
  ['said well', 0.18],
  ['edited', 0.12],
];

function wayOf(random: Random): Did {
  let roll = random();
  for (const [did, share] of WAYS) {
    roll -= share;
    if (roll < 0) return did;
  }
  return 'replied';
}

type Here = { deps: Deps; actor: Actor; slug: string; random: Random };

async function respond({ deps, actor, slug, random }: Here, { head }: Conversation): Promise<Act> {
  const { parts } = head.brief;
  const shared = await share(deps, actor, slug, {
    kind: 'response',
    parent: null,
    submission: randomUUID(),
    title: '',
    doc: documentFromParts(parts, responseTexts(parts.length, random)),
    private: false,
  });
  return shared.ok ? { did: 'responded', post: shared.value.post, to: null } : NOTHING;
}

/** Answers the response that the list puts first, or now and then a reply within its thread. */
async function reply(here: Here, view: Conversation): Promise<Act> {
  const { deps, actor, slug, random } = here;
  const open = view.lines.filter((l) => !l.mine && !l.gone && !l.locked && !l.answered);
  if (open.length === 0) return NOTHING;
  const line = random() < 0.7 ? open[0] : pick(open, random);
  const thread =
    line && (await conversation(deps, actor, slug, { post: line.id, filter: 'all', as: 'threads' }));
  if (!thread?.ok) return NOTHING;
  const posts = thread.value.posts.filter((p) => !p.mine && !p.gone);
  if (posts.length === 0) return NOTHING;
  const answered = random() < 0.7 ? posts[0] : pick(posts, random);
  if (!answered) return NOTHING;
  const shared = await share(deps, actor, slug, {
    kind: 'reply',
    parent: answered.id,
    submission: randomUUID(),
    title: '',
    doc: documentFromText(replyText(plainText(answered.doc), random)),
    private: false,
  });
  return shared.ok ? { did: 'replied', post: shared.value.post, to: answered.author.name } : NOTHING;
}

async function edit({ deps, actor, slug, random }: Here, view: Conversation): Promise<Act> {
  const mine = view.lines.find((l) => l.mine && !l.gone);
  const own =
    mine && (await conversation(deps, actor, slug, { post: mine.id, filter: 'all', as: 'threads' }));
  const post = own?.ok ? own.value.posts.find((p) => p.id === mine?.id) : undefined;
  if (!post) return NOTHING;
  const { content } = documentFromText(afterthought(random));
  const changed = await changePost(deps, actor, slug, post.id, {
    title: post.title,
    doc: { type: 'doc', content: [...post.doc.content, ...content] },
  });
  return changed.ok ? { did: 'edited', post: post.id, to: null } : NOTHING;
}

async function sayWell({ deps, actor, slug, random }: Here, view: Conversation): Promise<Act> {
  const others = view.lines.filter((l) => !l.mine && !l.gone);
  if (others.length === 0) return NOTHING;
  const line = pick(others, random);
  const marked = await reactToPost(deps, actor, slug, line.id, { kind: 'well-said', on: true });
  return marked.ok ? { did: 'said well', post: line.id, to: line.author } : NOTHING;
}

async function read({ deps, actor, slug, random }: Here, view: Conversation): Promise<Act> {
  const unread = view.lines.filter((l) => l.unread.length > 0);
  if (unread.length === 0) return NOTHING;
  const line = pick(unread, random);
  await markRead(deps, actor, slug, { posts: line.unread.slice(0, 200), read: true });
  return { did: 'read', post: line.id, to: line.author };
}

/**
 * One thing that a classmate does, through the functions by which people do it and seeing only what they would see: a
 * response where none is shared yet, else a reply, a change, a mark, or reading. What the calendar forbids is not done.
 */
export async function actOnce(here: Here): Promise<Act> {
  const { deps, actor, slug, random } = here;
  const view = await conversation(deps, actor, slug, { post: null, filter: 'all', as: 'threads' });
  if (!view.ok) return NOTHING;
  if (!view.value.head.responded && !view.value.head.staff) return respond(here, view.value);
  switch (wayOf(random)) {
    case 'edited':
      return edit(here, view.value);
    case 'said well':
      return sayWell(here, view.value);
    case 'read':
      return read(here, view.value);
    default: {
      const worth = await conversation(deps, actor, slug, { post: null, filter: 'worth', as: 'threads' });
      return reply(here, worth.ok && worth.value.lines.length ? worth.value : view.value);
    }
  }
}
