import type { WorldPages } from './types';

export const GEO_PAGES: WorldPages = {
  overviews: [
    'We begin at the water’s edge: what moves in a river besides water, where it comes from, and where it is put down again. Bring boots on Thursday.',
    'Why no river stays straight. The stream table runs all week in the lower hall; anybody may dig a bend and see what becomes of it.',
    'One gauge, two storms, and the curve between them. After this week you can read a hydrograph as other people read a face.',
    'What a roof, a car park and a drain do to the same rain. We compare Hessle before and after its meadow was paved.',
    'Below the field there is another river, slower and owned by nobody or by everybody. Law meets geology, and neither likes it.',
    'The question the whole course leads up to: walls close to the water, or room for it. The council votes in November; you may read its papers before it does.',
    'A dam is built once and comes down for ever. We follow one up and one down.',
    'No new theory. One letter, to a real kind of reader: somebody with ten minutes and a pen.',
  ],
  readings: [
    {
      slug: 'geo-chapter-1',
      week: 1,
      title: 'Chapter 1: What a river carries',
      author: 'M. Holt',
      print: { place: 'course reader, pp. 1–14', words: 3_900 },
    },
    {
      slug: 'geo-chapter-2',
      week: 2,
      title: 'Chapter 2: Bends',
      author: 'M. Holt',
      print: { place: 'course reader, pp. 15–31', words: 4_400 },
    },
    { slug: 'geo-gauge-keeper', week: 3, title: 'The gauge keeper’s notebook', author: 'T. Aske' },
    {
      slug: 'geo-chapter-4',
      week: 4,
      title: 'Chapter 4: Towns on the edge',
      author: 'M. Holt',
      print: { place: 'course reader, pp. 52–70', words: 4_800 },
    },
    {
      slug: 'geo-well-deed',
      week: 5,
      title: 'A well, a deed and a drought',
      author: 'P. Verhoef',
      print: { place: 'course reader, pp. 84–91', words: 2_100 },
    },
    { slug: 'geo-room-for-the-river', week: 6, title: 'Chapter 6: Room for the river', author: 'M. Holt' },
    { slug: 'geo-farmers-letter', week: 6, title: 'A letter from the nine farms', author: 'Amber Growers' },
    {
      slug: 'geo-chapter-7',
      week: 7,
      title: 'Chapter 7: Dams, going up and coming down',
      author: 'M. Holt',
      print: { place: 'course reader, pp. 133–152', words: 5_200 },
    },
  ],
  files: [
    {
      week: 3,
      name: 'two-storms.csv',
      title: 'Two storms at the Hessle gauge',
      mediaType: 'text/csv',
      content:
        'hour,storm A (m3/s),storm B (m3/s)\n0,14,14\n3,18,31\n6,29,88\n9,47,142\n12,71,119\n18,96,64\n24,88,38\n36,52,21\n48,30,16\n',
    },
    {
      week: 6,
      name: 'amber-gauge-crests.csv',
      title: 'Flood log of the Amber gauge',
      mediaType: 'text/csv',
      content:
        'year,crest (m),rain in the two days before (mm),side that gave way\n1964,3.61,71,none\n1978,4.12,84,Hessle\n1994,4.38,79,Hessle\n2007,3.90,66,none\n2019,4.55,68,none\n2026,4.78,64,Amber\n',
    },
  ],
  syllabus: {
    late: { rule: 'refused' },
    habits: { response: { weekday: 4, time: '23:59' }, replies: { weekday: 7, time: '23:59' } },
    scale: [
      { grade: 'Distinction', from: 80 },
      { grade: 'Merit', from: 65 },
      { grade: 'Pass', from: 50 },
      { grade: 'Not passed', from: 0 },
    ],
    weights: [
      { what: 'Discussions', percent: 40 },
      { what: 'Field notebook', percent: 25 },
      { what: 'Letter to the river board', percent: 35 },
    ],
    contact: {
      name: 'Dr. Maren Holt',
      email: 'maren.holt@tidewell.example',
      answers: 'within two working days',
    },
    officeHours: [
      { weekday: 2, from: '14:00', to: '15:30', place: 'Room 2.11, or by telephone' },
      { weekday: 5, from: '09:00', to: '10:00', place: 'at the stream table' },
    ],
    notes:
      'Discussions are where this course happens. A response that comes after Thursday reaches nobody in time to be answered, and so none is taken; if you see trouble coming, write to me before it comes and not after.\n\nQuote whom you answer. Say where a number comes from. You may change your mind in public, and get credit for it.',
  },
};
