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
      id: 'talk',
      title: 'Replies move the talk on',
      checks: [],
      replies: true,
      levels: [
        {
          title: 'Every one',
          text: 'Each takes up what a classmate wrote and adds something to it.',
          points: 4,
        },
        { title: 'Most', text: 'One is missing, or only agrees.', points: 2 },
        { title: 'Few', text: '', points: 0 },
      ],
    },
  ],
};

/** What some thought of their own text before sharing it. */
export const ESTIMATES: { discussion: string; person: string; levels: Record<string, number> }[] = [
  {
    discussion: 'geo-115-w5',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 1, evidence: 0, talk: 0 },
  },
  {
    discussion: 'geo-115-w4',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 0, evidence: 1, talk: 0 },
  },
  {
    discussion: 'geo-115-w3',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 1, evidence: 0, talk: 0 },
  },
  {
    discussion: 'geo-115-w2',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 0, evidence: 0, talk: 0 },
  },
];
/** What a staff member said of one student's part; everybody else's is made of what the ledger proposes. */
export const MARKS: {
  discussion: string;
  person: string;
  levels: Record<string, number>;
  remark: string;
  /** At which words of the response what is said, with other words for them, and what the student answered. */
  comments: { words: string; body: string; instead?: string; answer?: string }[];
}[] = [
  {
    discussion: 'geo-115-w5',
    person: 'Imani Okoro',
    levels: { question: 0, ideas: 0, evidence: 1, talk: 1 },
    remark:
      'Your rule for the parish is the best part: it says who measures, which most forget. The idea carries more than you think. For the source, say which of its numbers you lean on.',
    comments: [
      {
        words: 'That makes ownership the wrong word',
        body: 'Strong line. Say what the better word lets a council do that “ownership” does not.',
      },
      {
        words: 'The well survey found the same in nine of twelve parishes',
        body: 'Which year? The table has two surveys.',
        answer: 'The later one. I will name it next time.',
      },
      {
        words: 'on the day after planting',
        body: '',
        instead: 'the day after planting, when nobody can turn the pumps off',
      },
    ],
  },
];

/** What is said with a mark here and there. */
export const REMARKS = [
  'Your example does the work here. Next time let it come before the claim.',
  'You ask the right question at the end. Try to answer half of it.',
  'Clear and short. One more step: what would speak against you?',
  'The middle part carries it. The first two sentences could go.',
  'Good use of the reading; say where it stops helping you.',
  'Your replies are better than your response this week: take that tone into it.',
  'You say what you think and why. Name the source where the number comes from.',
] as const;

/** What the instructor of the demo writes again and again, under the keys. */
export const KEPT_REMARKS = [
  'Say whose number this is, and where it can be looked up.',
  'Good question. What would your own answer be?',
  'One example would carry this further than the next two sentences.',
  'You say what; say why you think so.',
  'This answers what they did not ask. Go back to their last line.',
] as const;

/** What students asked about a criterion of a released mark, and what they were told. */
export const ASKED: {
  discussion: string;
  person: string;
  criterion: string;
  body: string;
  answer?: string;
}[] = [
  {
    discussion: 'geo-115-w4',
    person: 'Imani Okoro',
    criterion: 'evidence',
    body: 'I named the survey of the second year in my reply to Otto. Does a source in a reply count here?',
    answer:
      'Here it is the response alone that is read. In the replies it helped you under “Replies move the talk on”.',
  },
  {
    discussion: 'geo-115-w5',
    person: 'Imani Okoro',
    criterion: 'talk',
    body: 'My third reply asks Pilar what the dike board would do in a dry year. Was that only agreeing?',
  },
];
