import { z } from 'zod';
import type { FindAsk } from '@/core/find/ask';
import type { Passage } from '@/core/find/passage';
import type { Instant, PersonId, PostId, Role } from '@/core/ids';
import { answersWith } from './endpoint';

export type Found = {
  ask: FindAsk;
  courses: { code: string; slug: string; title: string }[];
  posts: {
    id: PostId;
    kind: 'response' | 'reply';
    slug: string;
    discussion: string;
    course: string;
    author: string;
    role: Role;
    title: string;
    sharedAt: Instant;
    passage: Passage;
  }[];
  texts: { kind: 'discussion' | 'reading'; slug: string; title: string; course: string; passage: Passage }[];
  people: { id: PersonId; name: string; role: Role; course: { code: string; slug: string } }[];
  /** Nothing was found with the words as they were typed; this was found with words near to them. */
  nearly: boolean;
};

/** What was found, without what was asked. */
export type FoundThings = Omit<Found, 'ask'>;

/** What the palette shows while one types. */
export const finding = answersWith<Found>()('GET', '/find/results', z.object({ q: z.string().default('') }));
