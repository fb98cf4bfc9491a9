import type { z } from 'zod';
import type { briefSchema } from '@/core/brief/brief';
import type { rubricSchema } from '@/core/rubric/rubric';
import type { Viewing } from '@/core/viewings/viewing';
import type { LateRule } from '@/core/deadlines/late';

export type When = { day: number; time: string };

export type WorldDiscussion = {
  slug: string;
  week: number;
  title: string;
  /** Paragraphs of the prompt; its parts and rules stand in the brief. */
  prompt: string;
  brief: z.input<typeof briefSchema>;
  /** Where it differs from the course's habits; the syllabus then says otherwise, as happens. */
  late?: LateRule;
  responseDue?: When;
  graceMinutes?: number;
  viewings?: Viewing[];
};

export type WorldCourse = {
  code: string;
  title: string;
  timeZone: string;
  late: LateRule;
  /** Habits of the course: days counted from Monday. */
  opens: When;
  responseDue: When;
  repliesDue: When;
  weeks: string[];
  rubric?: z.input<typeof rubricSchema>;
  discussions: WorldDiscussion[];
};

export type WorldReplies = WorldDiscussion['brief']['replies'];
