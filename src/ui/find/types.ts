import type { Passage } from '@/core/find/passage';
import type { Role } from '@/core/ids';

export type FoundView = {
  courses: { code: string; slug: string; title: string }[];
  posts: {
    id: number;
    kind: 'response' | 'reply';
    slug: string;
    discussion: string;
    course: string;
    author: string;
    role: Role;
    title: string;
    sharedAt: number;
    passage: Passage;
  }[];
  texts: { kind: 'discussion' | 'reading'; slug: string; title: string; course: string; passage: Passage }[];
  people: { id: string; name: string; role: Role; course: { code: string; slug: string } }[];
  nearly: boolean;
};
