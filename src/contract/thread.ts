import type { Instant, PersonId, PostId, Role } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import type { Reactions } from '@/core/posts/reactions';
import type { Reason } from '@/core/worth/rank';

/** A line of a list: a response with what stands under it, or a single post. */
export type ThreadLine = {
  id: PostId;
  kind: 'response' | 'reply';
  /** How deep it stands under a response; that itself is 0. */
  depth: number;
  author: string;
  role: Role;
  /** Of a reply: whom it answers. */
  to: string | null;
  opening: string;
  sharedAt: Instant;
  replies: number;
  mine: boolean;
  /** The reader has answered in this thread, or this very reply. */
  answered: boolean;
  /** The reader has begun an answer in it and not shared it. */
  drafted: boolean;
  /** Posts of this thread that the reader has not read, or this one. */
  unread: PostId[];
  /** The file of the first picture or filmed clip of the post. */
  pictured: string | null;
  /** It names the reader. */
  namesReader: boolean;
  gone: 'withdrawn' | 'hidden' | null;
  private: boolean;
  pinned: boolean;
  locked: boolean;
  /** Why it is worth an answer of this reader. */
  reasons: Reason[];
};

/** Whoever asked under cover is called so, in what is quoted and in what answers them. */
export const COVERED = 'A classmate';

/** A post that is read. */
export type ReadPost = {
  id: PostId;
  depth: number;
  kind: 'response' | 'reply';
  author: {
    id: PersonId;
    name: string;
    role: Role;
    /** Where their picture is seen. */
    picture: string | null;
  };
  mine: boolean;
  /** Of what was asked under cover, for whoever may know by whom: from whom the name is covered. */
  underCover: string | null;
  to: string | null;
  /** The post it answers. */
  parent: PostId | null;
  privateTo: string | null;
  sharedAt: Instant;
  edited: boolean;
  title: string;
  doc: Doc;
  ownWords: number;
  gone: 'withdrawn' | 'hidden' | null;
  /** Why staff hid it, for its author and staff. */
  hiddenReason: string;
  pinned: boolean;
  locked: boolean;
  unread: boolean;
  reactions: Reactions;
  /** For staff: whom an earlier reply of its writer answered that this one nearly is. */
  repeats: string | null;
};
