import type { WorldCourse, WorldReplies } from './types';

const twoReplies = (): WorldReplies => ({
  count: 2,
  distinctPeers: true,
  words: { min: 40 },
  question: { min: 1 },
  advised: ['question'],
});

/** Another time zone, early deadlines, ten percent a day for late work. */
export const PLA: WorldCourse = {
  code: 'PLA 204',
  title: 'Finding Your Way: signs, maps and public space',
  timeZone: 'Europe/Athens',
  late: { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 },
  opens: { day: 0, time: '08:00' },
  responseDue: { day: 2, time: '18:00' },
  repliesDue: { day: 5, time: '10:00' },
  weeks: [
    'Lost on purpose',
    'The map in the hand',
    'Colour and queue',
    'Names of streets',
    'Finding the exit',
    'Signs that lie',
    'Wayfinding without eyes',
    'A plan for one square',
  ],
  discussions: [
    {
      slug: 'pla-204-w1',
      week: 1,
      title: 'The last time you were lost',
      prompt:
        'Think of the last time you did not know where you were. Not a story about your phone’s battery, please: about the place.\n\nAt least 80 words.',
      brief: {
        parts: [
          { id: '1', text: 'Where did you stop being sure, and what were you looking at?' },
          { id: '2', text: 'What put you right again?' },
        ],
        response: { words: { min: 80 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w2',
      week: 2,
      title: 'What a map leaves out',
      prompt: 'Take any printed map of a place you walk in. At least 90 words.',
      brief: {
        parts: [
          { id: '1', text: 'Name three things that are there and not on the map.' },
          { id: '2', text: 'For whom was the map drawn, and how can you tell?' },
        ],
        response: { words: { min: 90 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w3',
      week: 3,
      title: 'The queue that works',
      prompt: 'Watch a queue for ten minutes: at a ferry, a bakery, a clinic. At least 90 words.',
      brief: {
        parts: [
          { id: '1', text: 'How does a newcomer learn where it begins?' },
          { id: '2', text: 'What would break it, and what would you change?' },
        ],
        response: { words: { min: 90 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w4',
      week: 4,
      title: 'A street by any other name',
      prompt: 'Find a street whose name no longer fits. At least 90 words, and one source for the name.',
      brief: {
        parts: [
          { id: '1', text: 'What did the name mean, and what does it do now?' },
          { id: '2', text: 'Would you change it? Who would have to be asked?' },
        ],
        response: { words: { min: 90 }, sources: { min: 1 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w5',
      week: 5,
      title: 'The way out',
      prompt: 'Go into a large building and leave it by a way you did not come. At least 90 words.',
      brief: {
        parts: [
          { id: '1', text: 'Which signs helped, and which helped somebody else?' },
          { id: '2', text: 'What would you tell the person who has to hang the signs?' },
        ],
        response: { words: { min: 90 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w6',
      week: 6,
      title: 'A sign that lies: arrows, maps and wrong turns',
      prompt:
        'Bring one sign that sends people wrong. Describe it so that somebody who has never been there can see it.\n\nAt least 120 words.',
      brief: {
        parts: [
          { id: '1', text: 'What does the sign say, and what do people do?' },
          { id: '2', text: 'Why is it still there?' },
          { id: '3', text: 'Redraw it in words.' },
        ],
        response: { words: { min: 120 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w7',
      week: 7,
      late: { rule: 'refused' },
      title: 'A station with your eyes shut',
      prompt: 'Find your way by everything but your eyes. At least 150 words.',
      brief: {
        parts: [
          { id: '1', text: 'What told you where you were?' },
          { id: '2', text: 'What should a builder add, and what take away?' },
        ],
        response: { words: { min: 120 } },
        replies: twoReplies(),
        points: 10,
      },
    },
    {
      slug: 'pla-204-w8',
      week: 8,
      title: 'One square, five signs',
      prompt: 'You may hang five signs in a square of your choice. At least 200 words.',
      brief: {
        parts: [
          { id: '1', text: 'Which five, and where?' },
          { id: '2', text: 'What do you leave to the paving?' },
        ],
        response: { words: { min: 200 } },
        replies: twoReplies(),
        points: 20,
      },
    },
  ],
};
