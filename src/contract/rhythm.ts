import type { PersonId } from '@/core/ids';
import type { FadeSign, HowItGoes } from '@/core/rhythm/how-it-goes';
import type { CourseView } from './course';

/** How one discussion of a course went, or goes. */
export type WeekGoes = HowItGoes & { slug: string; title: string; week: number; over: boolean };

/** Somebody who fades from a course, with the signs that say so. */
export type Fading = { id: PersonId; name: string; signs: FadeSign[] };

export type HowItGoesPage = {
  course: CourseView;
  students: number;
  weeks: WeekGoes[];
  /** By name; nothing is ranked. */
  fading: Fading[];
};
