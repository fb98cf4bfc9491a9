import type { z } from 'zod';
import type { rubricSchema } from '@/core/rubric/rubric';

/** The rubric of GEO 115: the same four criteria every week. */
export const GEO_RUBRIC: z.input<typeof rubricSchema> = {
  criteria: [
    {
      id: 'question',
      title: 'Answers what is asked',
      checks: ['parts', 'words'],
      levels: [
        { title: 'All of it', text: 'Every question has an answer that could stand alone.', points: 5 },
        { title: 'Most of it', text: 'One question is touched and not answered.', points: 3 },
        { title: 'In part', text: 'The text goes round the questions.', points: 1 },
      ],
    },
    {
      id: 'ideas',
      title: 'Uses the week’s ideas',
      checks: ['concepts'],
      levels: [
        {
          title: 'At work',
          text: 'The ideas explain something here that one would not see without them.',
          points: 6,
        },
        { title: 'Named', text: 'They are there, and right, and do little.', points: 4 },
        { title: 'Missing', text: '', points: 0 },
      ],
    },
    {
      id: 'evidence',
      title: 'Rests on evidence',
      checks: ['sources'],
      levels: [
        { title: 'Shown', text: 'What is claimed can be looked up.', points: 5 },
        { title: 'Claimed', text: 'A source stands there; what it says is not used.', points: 3 },
        { title: 'None', text: '', points: 0 },
      ],
    },
    {
      id: 'other-side',
      title: 'Hears the other side',
      checks: [],
      levels: [
        { title: 'Fairly', text: 'They would say: yes, that is what we mean.', points: 4 },
        { title: 'Briefly', text: '', points: 2 },
        { title: 'Not at all', text: '', points: 0 },
      ],
    },
  ],
};

/** What some thought of their own text before sharing it, and what it was marked with. */
export const ESTIMATES: { discussion: string; person: string; levels: Record<string, number> }[] = [
  {
    discussion: 'geo-115-w5',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 1, evidence: 0, 'other-side': 1 },
  },
];
export const MARKS: {
  discussion: string;
  person: string;
  levels: Record<string, number>;
  comment: string;
}[] = [
  {
    discussion: 'geo-115-w5',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 0, evidence: 1, 'other-side': 1 },
    comment:
      'Your rule for the parish is the best part: it says who measures, which most forget. The idea carries more than you think. For the source, say which of its numbers you lean on.',
  },
];
