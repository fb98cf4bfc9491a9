import type { Role } from '@/core/ids';
import type { Doc } from '@/core/posts/document';

export type ThreadLineView = {
  pictured: string | null;
  id: number;
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
  author: { name: string; role: Role };
  mine: boolean;
  to: string | null;
  privateTo: string | null;
  sharedAt: number;
  edited: boolean;
  title: string;
  doc: Doc;
  ownWords: number;
  gone: 'withdrawn' | 'hidden' | null;
  unread: boolean;
};
