import type { Audience } from '@/core/notes/note';

export type WorldNote = {
  reading: string;
  author: string;
  /** Words of the passage; none for a note on the whole reading. */
  words: string;
  audience: Audience;
  body: string;
  /** Hours before the demo's now. */
  hoursAgo: number;
  answers?: { author: string; body: string; hoursAgo: number }[];
};

/** What stands in the margins of the demo's readings. */
export const NOTES: WorldNote[] = [
  {
    reading: 'geo-room-for-the-river',
    author: 'Noor Vasquez',
    words: 'The wall does not make the flood. It makes the damage.',
    audience: 'class',
    body: 'I keep coming back to this. Is it still true where nobody has built behind the wall yet?',
    hoursAgo: 26,
    answers: [
      {
        author: 'Dr. Maren Holt',
        body: 'Good question. Then the wall makes the temptation, and the damage later. Look at what was permitted in Hessle in the ten years after the line was raised.',
        hoursAgo: 22,
      },
    ],
  },
  {
    reading: 'geo-room-for-the-river',
    author: 'Jun Hathaway',
    words: 'It makes the damage.',
    audience: 'class',
    body: 'My uncle’s insurer says exactly this, in more words.',
    hoursAgo: 20,
  },
  {
    reading: 'geo-room-for-the-river',
    author: 'Teodora Lind',
    words: 'The second is conveyance: a wider bed carries the same discharge at a lower level',
    audience: 'staff',
    body: 'Does the rougher meadow not slow it down again? I tried the sum and the level came out almost the same.',
    hoursAgo: 18,
  },
  {
    reading: 'geo-room-for-the-river',
    author: 'Imani Okoro',
    words: 'write the payment into the same law as the levee',
    audience: 'self',
    body: 'Use this for question 3: it answers the farms without pretending they lose nothing.',
    hoursAgo: 5,
  },
  {
    reading: 'geo-room-for-the-river',
    author: 'Pilar Ostrom',
    words: '',
    audience: 'class',
    body: 'Read the last paragraph first. It is the only one with numbers you can take to a council.',
    hoursAgo: 30,
  },
];
