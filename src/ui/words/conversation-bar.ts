import type { Arrangement } from '@/core/posts/arrange';
import type { ModerationAct } from '@/core/posts/moderation';
import type { ThreadFilter } from '@/core/posts/filters';
import { list, plural } from './plural';

export const ARRANGEMENT_NAMES: Record<Arrangement, string> = {
  threads: 'Threads',
  headlines: 'Headlines',
  time: 'By time',
};

export const FILTER_NAMES: [Exclude<ThreadFilter, 'person' | 'found'>, string][] = [
  ['worth', 'Worth answering'],
  ['unread', 'Unread'],
  ['to-you', 'To you'],
  ['yours', 'Yours'],
  ['followed', 'Followed'],
  ['no-replies', 'No replies yet'],
  ['staff', 'Staff'],
  ['pictured', 'Pictures, clips'],
  ['bookmarked', 'Bookmarked'],
  ['all', 'All'],
];

/** What a conversation is narrowed to, as it is called where no list of filters stands beside it. */
export function filterName(filter: ThreadFilter, words: string, person: string | null): string {
  if (filter === 'found') return `“${words}”`;
  if (filter === 'person') return person ? `By ${person}` : 'By one person';
  return FILTER_NAMES.find(([id]) => id === filter)?.[1] ?? 'All';
}

/** Why a list is empty. */
export function emptyText(filter: ThreadFilter, outside: boolean): string {
  switch (filter) {
    case 'worth':
      return 'There is nobody left to answer here.';
    case 'all':
      return outside
        ? 'Nothing is pasted in yet. Copy a classmate’s post from the other course to answer it here.'
        : 'No one has shared a response yet. The first replies go to the first responses.';
    case 'unread':
      return 'You have read everything here.';
    case 'no-replies':
      return 'Everybody has a reply.';
    case 'yours':
      return 'Nothing of yours here yet.';
    case 'followed':
      return 'You follow no thread here. “Follow” stands over each.';
    case 'to-you':
      return 'Nobody has answered or named you here yet.';
    case 'staff':
      return 'Staff have written nothing here yet.';
    case 'pictured':
      return 'Nobody has put a picture or a clip into a post here.';
    case 'person':
      return 'They have written nothing here that you can read.';
    case 'found':
      return 'No post here holds these words.';
    case 'bookmarked':
      return 'You have bookmarked nothing here yet: “Bookmark” stands under each post.';
  }
}

/** What has come since the page was made. @example "3 new posts, 1 in a thread you follow" */
export function arrivedText(posts: number, followed: number, changed: number): string {
  const parts: string[] = [];
  if (posts > 0) {
    const where =
      followed === 0
        ? ''
        : followed === posts
          ? posts === 1
            ? ' in a thread you follow'
            : ' in threads you follow'
          : `, ${followed} in ${followed === 1 ? 'a thread' : 'threads'} you follow`;
    parts.push(`${plural(posts, 'new post')}${where}`);
  }
  if (changed > 0) parts.push(`${plural(changed, 'post')} changed`);
  return list(parts);
}

/** What a button does about a post. */
export const MODERATION_NAMES: Record<Exclude<ModerationAct, 'answer' | 'accept'>, string> = {
  report: 'Report to staff…',
  settle: 'Nothing to be done',
  hide: 'Hide from the class…',
  show: 'Show to the class again',
  pin: 'Pin to the top',
  unpin: 'Pin no longer',
  lock: 'Lock the thread',
  unlock: 'Unlock the thread',
};

/** What somebody did, as the log says it. */
export const MODERATION_DONE: Record<ModerationAct, string> = {
  report: 'reported',
  settle: 'settled the reports of',
  hide: 'hid',
  show: 'showed again',
  pin: 'pinned',
  unpin: 'no longer pins',
  lock: 'locked the thread of',
  unlock: 'unlocked the thread of',
  answer: 'answered as staff with',
  accept: 'let count, as it was handed over,',
};

export function moderationTrouble(code: string): string {
  switch (code) {
    case 'no-reason':
      return 'Say why in a few words; what you wrote is still here.';
    case 'not-yours-to-do':
      return 'That can no longer be done: the post was changed meanwhile. Reload the page to see it.';
    case 'signed-out':
      return 'You are no longer signed in. Sign in in another tab, then try again.';
    default:
      return 'Pulpit did not take that. What you wrote is still here; try again.';
  }
}
