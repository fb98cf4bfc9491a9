import type { Role } from '@/core/ids';
import type { Doc } from '@/core/posts/document';
import type { Reason } from '@/core/worth/rank';
import type { PostMarks } from '@/core/posts/post-marks';

export type ThreadLineView = {
  pictured: string | null;
  id: number;
  depth: number;
  gone: 'withdrawn' | 'hidden' | null;
  private: boolean;
  pinned: boolean;
  locked: boolean;
  kind: 'response' | 'reply';
  to: string | null;
  drafted: boolean;
  namesReader: boolean;
  reasons: readonly Reason[];
  author: string;
  role: Role;
  opening: string;
  sharedAt: number;
  replies: number;
  mine: boolean;
  answered: boolean;
  unread: number[];
};

export type ReadPostView = {
  id: number;
  depth: number;
  kind: 'response' | 'reply';
  author: { id: string; name: string; role: Role };
  mine: boolean;
  to: string | null;
  /** The number of the post it answers. */
  parent: number | null;
  privateTo: string | null;
  sharedAt: number;
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
  marks: PostMarks;
  /** For staff: whom another reply of its writer answers that this one nearly is. */
  repeats: string | null;
};
