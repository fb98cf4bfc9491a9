import { GEO_RUBRIC } from './rubrics';
import type { WorldCourse, WorldReplies } from './types';

const replies = (min: number): WorldReplies => ({
  count: 3,
  distinctPeers: true,
  words: { min },
  concepts: { min: 1 },
  quotes: { min: 1 },
  advised: ['concepts', 'quotes'],
});

/** The busy course: sealed, strict, three replies to different classmates, no late work. */
export const GEO: WorldCourse = {
  code: 'GEO 115',
  title: 'Rivers & Floodplains',
  timeZone: 'Europe/London',
  late: { rule: 'refused' },
  opens: { day: 0, time: '06:00' },
  responseDue: { day: 3, time: '23:59' },
  repliesDue: { day: 6, time: '23:59' },
  rubric: GEO_RUBRIC,
  weeks: [
    'What a river carries',
    'Bends, bars and banks',
    'Reading a hydrograph',
    'Towns on the edge',
    'Water under the field',
    'Room for the river',
    'Dams, going up and coming down',
    'Whose river is it?',
  ],
  discussions: [
    {
      slug: 'geo-115-w1',
      week: 1,
      title: 'A river you have stood beside',
      prompt:
        'Begin with water you know. A brook behind a bus stop will do as well as a great river.\n\nWrite at least 100 words, and use one idea from chapter 1 where it helps you see something.',
      brief: {
        parts: [
          {
            id: '1',
            text: 'Describe one reach of a river you have stood beside: what moves, and what stays?',
          },
          { id: '2', text: 'Where does its load come from, and where does it rest?' },
        ],
        concepts: [
          { term: 'bed load', aliases: ['bedload'] },
          { term: 'suspended load', aliases: [] },
          { term: 'catchment', aliases: ['drainage basin', 'watershed'] },
          { term: 'discharge', aliases: [] },
        ],
        response: { words: { min: 100 }, concepts: { min: 1 }, title: true },
        replies: replies(40),
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w2',
      week: 2,
      title: 'Why does a river bend?',
      prompt:
        'The stream table in the film starts straight and never stays so. Use it, or any bend you can get to on foot.\n\nWrite at least 120 words.',
      brief: {
        parts: [
          { id: '1', text: 'What makes the first bend, and what makes it grow?' },
          {
            id: '2',
            text: 'A farmer wants the bend cut off to gain a field. What happens next, upstream and down?',
          },
        ],
        concepts: [
          { term: 'point bar', aliases: [] },
          { term: 'cut bank', aliases: ['outer bank'] },
          { term: 'helical flow', aliases: ['secondary flow'] },
          { term: 'oxbow', aliases: ['oxbow lake', 'cut-off'] },
          { term: 'gradient', aliases: ['slope'] },
        ],
        response: { words: { min: 120 }, concepts: { min: 1 }, title: true },
        replies: replies(40),
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w3',
      week: 3,
      title: 'Two storms, one gauge',
      prompt:
        'The gauge at Amber ford drew two curves in March: the same rain, a day apart, and two quite different floods.\n\nWrite at least 120 words and name one source.',
      brief: {
        parts: [
          { id: '1', text: 'What differs between the two curves, and what in the catchment explains it?' },
          { id: '2', text: 'Which of the two would you warn a camp site about, and how long before?' },
        ],
        concepts: [
          { term: 'lag time', aliases: ['lag'] },
          { term: 'peak discharge', aliases: ['peak flow'] },
          { term: 'antecedent moisture', aliases: ['saturated soil', 'saturated ground'] },
          { term: 'base flow', aliases: ['baseflow'] },
          { term: 'runoff', aliases: ['run-off'] },
        ],
        response: { words: { min: 120 }, concepts: { min: 1 }, sources: { min: 1 }, title: true },
        replies: replies(40),
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w4',
      week: 4,
      title: 'A town that paved its meadow',
      prompt:
        'Lower Hessle put a car park where the fair used to be. Since then the high street has been wet four times.\n\nWrite at least 120 words.',
      brief: {
        parts: [
          { id: '1', text: 'How does paving change the flood that reaches the high street?' },
          { id: '2', text: 'You have money for one measure. Which, and who will be against it?' },
        ],
        concepts: [
          { term: 'infiltration', aliases: [] },
          { term: 'impervious surface', aliases: ['impermeable surface', 'sealed surface'] },
          { term: 'return period', aliases: ['hundred-year flood'] },
          { term: 'permeable paving', aliases: [] },
          { term: 'detention basin', aliases: ['detention pond'] },
        ],
        response: { words: { min: 120 }, concepts: { min: 1 }, title: true },
        replies: replies(40),
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w5',
      week: 5,
      title: 'Who owns the water under a field?',
      prompt:
        'Two neighbours pump from one aquifer. One has done so for forty years; the other has just drilled deeper.\n\nWrite at least 150 words. Use one idea from chapter 5 and cite one source.',
      brief: {
        parts: [
          { id: '1', text: 'What does the second well do to the first, and how fast?' },
          { id: '2', text: 'Is owning the right word for what either of them has?' },
          { id: '3', text: 'What rule would you give the parish, and what would break it?' },
        ],
        concepts: [
          { term: 'cone of depression', aliases: ['drawdown cone'] },
          { term: 'recharge', aliases: [] },
          { term: 'shared storage', aliases: [] },
          { term: 'overdraft', aliases: ['overdrawn'] },
          { term: 'water table', aliases: [] },
        ],
        response: { words: { min: 150 }, concepts: { min: 1 }, sources: { min: 1 }, title: true },
        replies: replies(50),
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w6',
      week: 6,
      title: 'Should the Amber valley levees be moved back?',
      viewings: [
        {
          id: 'night-of-the-breach',
          title: 'The night of the breach: a walk along the old line',
          href: 'https://media.tidewell.example/amber-breach',
          minutes: 9,
        },
        { id: 'council', title: 'The council’s hearing of 2 October, the part on money', minutes: 14 },
      ],
      prompt:
        'After the spring flood the Amber valley council has two plans on the table: rebuild the levees where they stood, or set them back four hundred metres and let the river have its old meadows.\n\nIn at least 250 words, with two ideas from chapter 6 and at least one source, answer all three questions.',
      brief: {
        parts: [
          { id: '1', text: 'Which plan would you choose, and for whom is it the better one?' },
          { id: '2', text: 'Explain your choice with two ideas from chapter 6.' },
          {
            id: '3',
            text: 'What would the other side say, and what is your answer to them? Cite one source.',
          },
        ],
        concepts: [
          { term: 'flood storage', aliases: ['floodplain storage'] },
          { term: 'levee effect', aliases: [] },
          { term: 'residual risk', aliases: [] },
          { term: 'setback levee', aliases: ['set-back levee'] },
          { term: 'conveyance', aliases: [] },
          { term: 'warning time', aliases: ['lead time'] },
        ],
        response: { words: { min: 250 }, concepts: { min: 2 }, sources: { min: 1 }, title: true },
        replies: replies(75),
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w7',
      week: 7,
      title: 'Take the dam out, or mend it once more?',
      prompt:
        'The mill dam at Orrin Weir makes no power and holds a lake full of silt that everybody loves.\n\nWrite at least 250 words with one source.',
      brief: {
        parts: [
          { id: '1', text: 'What has the dam done to the river above and below it?' },
          { id: '2', text: 'Remove or repair: what would you do about the silt?' },
          { id: '3', text: 'What would you show the village to let them see your plan?' },
        ],
        concepts: [
          { term: 'sediment trap', aliases: ['sediment trapping'] },
          { term: 'hungry water', aliases: [] },
          { term: 'fish passage', aliases: [] },
        ],
        response: { words: { min: 250 }, concepts: { min: 1 }, sources: { min: 1 }, title: true },
        replies: { ...replies(75), otherSide: true },
        sides: ['Take the dam out', 'Mend it once more'],
        sealed: true,
        points: 20,
      },
    },
    {
      slug: 'geo-115-w8',
      week: 8,
      responseDue: { day: 2, time: '23:59' },
      title: 'A letter to the river board',
      prompt: 'Write to the board of the Amber as somebody who lives by it. At least 300 words, two sources.',
      brief: {
        parts: [
          { id: '1', text: 'Who are you, and what do you ask for?' },
          { id: '2', text: 'What will it cost, and whom?' },
        ],
        response: { words: { min: 300 }, sources: { min: 2 }, title: true },
        replies: replies(75),
        sealed: true,
        points: 30,
      },
    },
    {
      slug: 'geo-115-w8-reach',
      week: 8,
      title: 'Which reach, which Saturday?',
      prompt:
        'Each field group walks one reach of the Amber on a Saturday of its own. Say which reach you would choose and what you would look at there. At least 40 words; a picture you took or a clip you spoke will do as well. Then answer one person of your group, in at least 20 words.',
      brief: {
        response: { words: { min: 40 }, instead: ['image', 'audio'] },
        replies: { count: 1, words: { min: 20 } },
        grouped: true,
        points: 5,
      },
    },
  ],
};
