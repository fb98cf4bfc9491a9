import type { z } from 'zod';
import type { syllabusSchema } from '@/core/syllabus/syllabus';

export type WorldReading = {
  slug: string;
  week: number;
  title: string;
  author: string;
  /** Where a text is found that is not in Pulpit, with its length; without it the text stands in `readings/`. */
  print?: { place: string; words: number };
};
export type WorldFile = { week: number; name: string; title: string; mediaType: string; content: string };

export type WorldPages = {
  overviews: string[];
  readings: WorldReading[];
  files: WorldFile[];
  syllabus: z.input<typeof syllabusSchema>;
};
