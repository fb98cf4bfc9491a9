import type { Instant } from '../ids';

/** A margin note that calls somebody: an answer to theirs, or a question to the staff of the course. */
export type NoteCall = {
  id: string;
  kind: 'answer' | 'to-staff';
  reading: { slug: string; title: string };
  course: string;
  author: string;
  madeAt: Instant;
  beginning: string;
};
