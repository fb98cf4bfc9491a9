import type { When } from './types';

/** Deadlines that staff moved for one student. `day` counts from the Monday of the discussion's week. */
export const EXTENSIONS: {
  discussion: string;
  person: string;
  response?: When;
  replies?: When;
  reason: string;
}[] = [
  {
    discussion: 'snd-130-w3',
    person: 'Imani Okoro',
    response: { day: 6, time: '20:00' },
    reason: 'Two days lost to a broken laptop.',
  },
  {
    discussion: 'geo-115-w4',
    person: 'Pilar Ostrom',
    response: { day: 5, time: '23:59' },
    reason: 'Harvest at home; agreed on Monday.',
  },
  {
    discussion: 'geo-115-w6',
    person: 'Farida Selkirk',
    response: { day: 4, time: '23:59' },
    replies: { day: 8, time: '23:59' },
    reason: 'Jury service on Wednesday and Thursday.',
  },
];

export const EXCUSED: { discussion: string; person: string; reason: string }[] = [
  { discussion: 'pla-204-w2', person: 'Imani Okoro', reason: 'Ill, with a certificate.' },
  { discussion: 'snd-130-w4', person: 'Jun Hathaway', reason: 'Bereavement.' },
];

/** What is begun and not shared when the demo opens. */
export const DRAFTS: {
  discussion: string;
  author: string;
  day: number;
  time: string;
  title: string;
  texts: string[];
}[] = [
  {
    discussion: 'geo-115-w6',
    author: 'Imani Okoro',
    day: 1,
    time: '16:30',
    title: 'Give the meadows back, and pay for them',
    texts: [
      'I would move the levees back. It is the better plan for the four villages downstream, because the meadows would hold the first two days of a flood before it reaches them. It is not the better plan for the nine farms inside the new line, so my answer only stands if they are paid.',
      'The first idea is flood storage: every hectare that is reconnected takes water off the peak. The second is the levee effect: a higher wall invites building behind it, so the damage of the next failure grows. The gauge table shows that the last crest at the old wall was forty centimetres higher than the one before it, with less rain upstream.',
      '',
    ],
  },
];

/** Who has not been here for so many days as the demo begins; everybody else was there the evening before. */
export const AWAY: Readonly<Record<string, number>> = { 'Theo Marchbanks': 16 };
