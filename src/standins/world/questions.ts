import type { About, Asking } from '@/core/questions/asking';

/** A post of the demo among the questions: its week, the day of it from Monday on, and the time. */
type Said = { by: string; week: number; day: number; time: string; text: string };
export type WorldQuestion = Said & {
  course: string;
  title: string;
  kind?: Asking['kind'];
  audience?: Asking['audience'];
  cover?: Asking['cover'];
  about?: About;
  label?: string;
  kept?: boolean;
  settled?: boolean;
  /** Who of the staff took it. */
  taken?: string;
  answers?: (Said & { confirmed?: string; right?: string[] })[];
  /** Who found here what they wanted to ask. */
  spared?: string[];
  /** What hands are shown for: until when, and how many of the class raised theirs for each choice. */
  hands?: { choices: [string, number][]; closes: { week: number; day: number; time: string } };
  /** When and where one meets, in how many slots, and who of the class has which. */
  meets?: {
    starts: { week: number; day: number; time: string };
    minutes: number;
    place: string;
    slots: number;
    taken: [number, string][];
  };
  /** Staff would like everybody to read it. */
  openWanted?: boolean;
  /** Staff keep their answer to it. */
  saved?: boolean;
};

const GEO_W6: About = {
  of: 'prompt',
  place: 'geo-115-w6',
  called: 'Should the Amber valley levees be moved back?',
};

/** What has been asked and told in the demo's courses, course by course and in order of time. */
export const QUESTIONS: readonly WorldQuestion[] = [
  {
    course: 'geo-115',
    by: 'Desmond Aule',
    week: 1,
    day: 1,
    time: '19:20',
    title: 'What counts as a source in this course?',
    text: 'The brief says one source. Is the video of week 1 a source? Is my grandmother, who lived at the weir?',
    label: 'sources',
    kept: true,
    saved: true,
    answers: [
      {
        by: 'Dr. Maren Holt',
        week: 1,
        day: 2,
        time: '08:40',
        text: 'Anything somebody else can go and look at: a reading, a map, a film with its minute, a table with its row. Your grandmother counts if you say who she is and when you spoke with her, and she stands beside a source, not in its place.',
      },
    ],
    spared: [
      'Noor Vasquez',
      'Pilar Ostrom',
      'Jun Hathaway',
      'Kwame Sorley',
      'Anselm Quaye',
      'Lucinda Farrow',
    ],
  },
  {
    course: 'geo-115',
    by: 'Brigid Tamm',
    week: 2,
    day: 3,
    time: '21:05',
    title: 'Do we have to write in the form of an essay?',
    text: 'With a beginning and an end, I mean. Mine always turn out as a list of things I noticed.',
    answers: [
      {
        by: 'Bastian Grey',
        week: 2,
        day: 4,
        time: '09:15',
        text: 'No. Say one thing and show why you think so. A list of things you noticed becomes that when you say which of them matters most.',
      },
    ],
  },
  {
    course: 'geo-115',
    by: 'Pilar Ostrom',
    week: 4,
    day: 1,
    time: '12:10',
    title: 'Can a reply answer a reply?',
    text: 'Or does it only count when I answer the response itself?',
    label: 'counting',
    answers: [
      {
        by: 'Dr. Maren Holt',
        week: 4,
        day: 1,
        time: '15:02',
        text: 'It counts wherever it stands. What is counted is whom you answer: three different classmates.',
      },
    ],
    spared: ['Tomasz Wray', 'Rafi Castellan'],
  },
  {
    course: 'geo-115',
    by: 'Lucinda Farrow',
    week: 5,
    day: 0,
    time: '18:30',
    title: 'How late is late when the clock changes?',
    text: 'The clocks go back at the end of October, on a Sunday night when replies are due. Do we have the hour twice?',
    answers: [
      {
        by: 'Anselm Quaye',
        week: 5,
        day: 0,
        time: '20:44',
        text: 'The page says 23:59 and the clocks change at two in the morning, so it should make no difference.',
        confirmed: 'Bastian Grey',
        right: ['Lucinda Farrow', 'Brigid Tamm'],
      },
    ],
  },
  {
    course: 'geo-115',
    by: 'Kwame Sorley',
    week: 5,
    day: 2,
    time: '10:12',
    title: 'Which October flood does chapter 6 mean?',
    text: 'There are two in the gauge table, 1998 and 2019, and the chapter says “the October flood” as if there were one.',
    label: 'readings',
    answers: [
      {
        by: 'Noor Vasquez',
        week: 5,
        day: 2,
        time: '11:30',
        text: '2019. The photograph on the next page shows the new footbridge, which was not there in 1998.',
        confirmed: 'Dr. Maren Holt',
        right: ['Kwame Sorley', 'Desmond Aule', 'Teodora Lind', 'Imani Okoro'],
      },
    ],
    settled: true,
  },
  {
    course: 'geo-115',
    by: 'Teodora Lind',
    week: 5,
    day: 5,
    time: '16:00',
    kind: 'tells',
    title: 'The county archive has the survey of 1871 on paper',
    text: 'You can look at it on Thursdays without an appointment. The river has two more bends in it than today. I took notes, and whoever wants to come along next Thursday is welcome: I am at the door at two.',
    answers: [
      {
        by: 'Desmond Aule',
        week: 5,
        day: 5,
        time: '18:25',
        text: 'Two bends! I would come. Thank you for telling us.',
      },
      { by: 'Jun Hathaway', week: 6, day: 0, time: '09:05', text: 'I will be there at two.' },
    ],
  },
  {
    course: 'geo-115',
    by: 'Imani Okoro',
    week: 6,
    day: 1,
    time: '09:50',
    kind: 'asks',
    audience: 'staff',
    title: 'I may be without a connection on Thursday evening',
    text: 'I am on the night train from Thursday at seven, and there is no signal through the hills. I will try to share before. If the response is a day late, what happens?',
    taken: 'Dr. Maren Holt',
  },
  {
    course: 'geo-115',
    by: 'Dr. Maren Holt',
    week: 6,
    day: 1,
    time: '11:15',
    kind: 'hands',
    title: 'Field walk: Friday or Saturday?',
    text: 'An hour along the lower path, from the gauge house on. Whoever cannot come sees the pictures afterwards.',
    hands: {
      choices: [
        ['Friday at 15:00', 6],
        ['Saturday at 10:00', 11],
      ],
      closes: { week: 6, day: 2, time: '18:00' },
    },
  },
  {
    course: 'geo-115',
    by: 'Rafi Castellan',
    week: 6,
    day: 1,
    time: '13:05',
    title: 'Does the heading count as my own words?',
    text: 'The prompt puts three questions into the text for me. Are they in the count of 250?',
    about: { ...GEO_W6, of: 'check', at: 'words', called: '250 words' },
    label: 'counting',
  },
  {
    course: 'geo-115',
    by: 'Jun Hathaway',
    week: 6,
    day: 1,
    time: '14:20',
    cover: 'class',
    title: 'Is the gauge table one source or twelve?',
    text: 'Every row has its own survey date. If I cite two rows, do I have two sources, or one?',
    about: GEO_W6,
    label: 'sources',
    answers: [
      {
        by: 'Noor Vasquez',
        week: 6,
        day: 1,
        time: '14:41',
        text: 'One. It is one table by one office; the rows are places in it. I wrote “(Amber gauge, rows 3 and 9)”.',
        right: ['Kwame Sorley', 'Brigid Tamm', 'Lucinda Farrow'],
      },
      {
        by: 'Desmond Aule',
        week: 6,
        day: 1,
        time: '15:10',
        text: 'I counted two last week and it was taken as one.',
      },
    ],
  },
  {
    course: 'geo-115',
    by: 'Dr. Maren Holt',
    week: 6,
    day: 1,
    time: '14:30',
    kind: 'meets',
    title: 'Ten minutes each about your map',
    text: 'Bring the map you mean to use, or the place where you got stuck. If no slot suits you, write to me on your line.',
    meets: {
      starts: { week: 6, day: 2, time: '16:00' },
      minutes: 60,
      place: 'https://rooms.tamsinreach.example/holt',
      slots: 6,
      taken: [
        [1, 'Pilar Ostrom'],
        [4, 'Rafi Castellan'],
      ],
    },
  },
  {
    course: 'geo-115',
    by: 'Lucinda Farrow',
    week: 6,
    day: 1,
    time: '14:48',
    title: 'If I cite several rows of the gauge table, is that several sources?',
    text: 'I would use the rows of 1903 and 1953. Are they two sources or one?',
    about: GEO_W6,
  },
  {
    course: 'geo-115',
    by: 'Kwame Sorley',
    week: 6,
    day: 1,
    time: '14:55',
    audience: 'staff',
    title: 'May I write about the flood in our own street?',
    text: 'It was in 2019, we had water to the second stair. I would rather not have it talked over if it is not asked for.',
    openWanted: true,
    answers: [
      {
        by: 'Dr. Maren Holt',
        week: 6,
        day: 1,
        time: '15:20',
        text: 'You may, and it counts like any place you can show us. Put the year and the height in, and one thing that somebody else measured. Others will have the same thought: may I let the class read this?',
      },
    ],
  },
  {
    course: 'geo-115',
    by: 'Brigid Tamm',
    week: 6,
    day: 1,
    time: '15:02',
    kind: 'corner',
    title: 'Train from Merren, Saturday 8:12',
    text: 'If the walk is on Saturday I take the 8:12 and have room on a group ticket for four.',
    answers: [
      {
        by: 'Anselm Quaye',
        week: 6,
        day: 1,
        time: '15:31',
        text: 'One for me, please. I bring the flask.',
      },
    ],
  },
  {
    course: 'pla-204',
    by: 'Anselm Quaye',
    week: 2,
    day: 1,
    time: '17:40',
    title: 'May the sign be one that I made myself?',
    text: 'I run a small market stall, and half of the signs there are mine.',
    answers: [
      {
        by: 'Prof. Elias Wick',
        week: 2,
        day: 2,
        time: '10:20',
        text: 'Yes, and say so. Then tell us what you wanted it to say, and what people did.',
      },
    ],
  },
  {
    course: 'pla-204',
    by: 'Noor Vasquez',
    week: 5,
    day: 1,
    time: '20:15',
    title: 'Is a smell a sign?',
    text: 'The bakery lets its air out at the corner on purpose. It points the way better than the board does.',
    answers: [
      {
        by: 'Teodora Lind',
        week: 5,
        day: 1,
        time: '21:02',
        text: 'If somebody put it there so that you go in, I would say it is.',
        right: ['Noor Vasquez'],
      },
      {
        by: 'Prof. Elias Wick',
        week: 5,
        day: 2,
        time: '08:55',
        text: 'It is, by the definition of chapter 2: made for somebody, to be followed. I would read that response with pleasure.',
      },
    ],
  },
  {
    course: 'pla-204',
    by: 'Rafi Castellan',
    week: 6,
    day: 0,
    time: '19:31',
    title: 'How do I show a photograph of a sign with people in front of it?',
    text: 'Three of them look into the camera. I do not know them.',
    label: 'pictures',
    answers: [
      {
        by: 'Brigid Tamm',
        week: 6,
        day: 0,
        time: '20:10',
        text: 'I would crop it. Or go again at six in the morning, the light is better anyway.',
      },
    ],
  },
  {
    course: 'snd-130',
    by: 'Desmond Aule',
    week: 3,
    day: 4,
    time: '22:10',
    title: 'Does a recording of silence have to be long?',
    text: 'Mine is forty seconds and it feels like a year.',
    answers: [
      {
        by: 'Odile Marchetti',
        week: 3,
        day: 5,
        time: '11:00',
        text: 'Forty seconds is plenty if you write down what you heard in it. Most people stop listening after ten.',
      },
    ],
  },
  {
    course: 'snd-130',
    by: 'Brigid Tamm',
    week: 6,
    day: 0,
    time: '08:15',
    title: 'What if there is nothing to hear at my window?',
    text: 'I live on the eleventh floor at the back. I sat there for ten minutes and wrote “lift” once.',
    cover: 'class',
  },
];
