import type { WorldPages } from './types';

export const PLA_PAGES: WorldPages = {
  overviews: [
    'Being lost is the material of this course, so we begin by collecting some. No maps this week.',
    'A map is an argument about what matters. We look at eight maps of the same square mile.',
    'Queues, lines on floors, tickets from machines: order without a guard.',
    'Names stay when what they named has gone. One street, four names, two hundred years.',
    'Large buildings at the moment people want to leave them. The fire officer of the ferry terminal is our guest on Tuesday.',
    'A sign that is wrong is worse than none. Bring one: a photograph, or better, a description that works without.',
    'Half of wayfinding is not seen at all. Work in pairs; one of you keeps the eyes shut.',
    'Five signs for one square, and a page that defends them.',
  ],
  readings: [
    {
      slug: 'pla-lost',
      week: 1,
      title: 'On not knowing where one is',
      author: 'H. Brandt',
      print: { place: 'reader, section 1', words: 1_900 },
    },
    {
      slug: 'pla-eight-maps',
      week: 2,
      title: 'Eight maps of a square mile',
      author: 'E. Wick',
      print: { place: 'reader, section 2', words: 2_600 },
    },
    {
      slug: 'pla-four-names',
      week: 4,
      title: 'Four names for one street',
      author: 'S. Oduya',
      print: { place: 'reader, section 4', words: 2_200 },
    },
    {
      slug: 'pla-exit',
      week: 5,
      title: 'The door people came in by',
      author: 'E. Wick',
    },
    { slug: 'pla-arrow', week: 6, title: 'What an arrow promises', author: 'E. Wick' },
    {
      slug: 'pla-without-eyes',
      week: 7,
      title: 'A station, heard',
      author: 'L. Fenn',
      print: { place: 'reader, section 7', words: 2_400 },
    },
  ],
  files: [
    {
      week: 6,
      name: 'complaints-ferry-terminal.txt',
      title: 'Forty complaints about one sign',
      mediaType: 'text/plain',
      content:
        'Ferry terminal, complaints book, June to August (shortened)\n\n3 June. The arrow to Gate 4 points at the wall.\n9 June. Went where the arrow says. It is the laundry.\n10 June. The laundry again. They were very kind.\n2 July. My mother waited at the wall.\n19 July. Somebody has written NOT HERE on the sign. Please leave it.\n30 August. You have cleaned the sign. Why?\n',
    },
  ],
  syllabus: {
    late: { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 },
    habits: { response: { weekday: 3, time: '18:00' }, replies: { weekday: 6, time: '10:00' } },
    scale: [
      { grade: 'A', from: 85 },
      { grade: 'B', from: 70 },
      { grade: 'C', from: 55 },
      { grade: 'Fail', from: 0 },
    ],
    weights: [
      { what: 'Discussions', percent: 50 },
      { what: 'Five signs for one square', percent: 50 },
    ],
    contact: {
      name: 'Prof. Elias Wick',
      email: 'elias.wick@tidewell.example',
      answers: 'on the same day, except at week-ends',
    },
    officeHours: [{ weekday: 5, from: '13:00', to: '15:00', place: 'Print room' }],
    notes:
      'I live two hours east of most of you. All times in this course are mine: look twice.\n\nLate is dearer than it looks. Ten per cent of the full mark goes with each day begun, and after the third day I do not read.',
  },
};
