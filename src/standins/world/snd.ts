import type { WorldCourse, WorldDiscussion } from './types';

const week = (n: number, title: string, prompt: string, words: number): WorldDiscussion => ({
  slug: `snd-130-w${n}`,
  week: n,
  title,
  prompt: `${prompt}\n\nAbout ${words} words, or a clip in which you say it. Answer two people, on two different days if you can bear to wait: a day between makes better ears.`,
  brief: {
    concepts: [
      { term: 'keynote', aliases: ['keynote sound'] },
      { term: 'soundmark', aliases: [] },
      { term: 'signal', aliases: [] },
      { term: 'masking', aliases: ['masked'] },
      { term: 'reverberation', aliases: ['reverb', 'echo'] },
    ],
    response: {
      words: { min: words },
      instead: ['audio', 'video'],
      concepts: { min: 1 },
      advised: ['concepts'],
    },
    replies: { count: 2, distinctPeers: true, distinctDays: 2, words: { min: 25 } },
    points: 5,
  },
});

/** The relaxed course: late work is taken for a week, replies fall on two different days. */
export const SND: WorldCourse = {
  code: 'SND 130',
  title: 'Listening to Place',
  timeZone: 'Europe/London',
  late: { rule: 'accepted', days: 7 },
  opens: { day: -2, time: '12:00' },
  responseDue: { day: 4, time: '20:00' },
  repliesDue: { day: 6, time: '22:00' },
  weeks: [
    'Before you speak',
    'Keynotes',
    'Signals and bells',
    'Rooms',
    'Night',
    'One window',
    'Weather',
    'A walk for somebody else',
  ],
  discussions: [
    week(
      1,
      'The first sound of the day',
      'Tomorrow, do not get up at once. What do you hear first, and what had been there all along?',
      60,
    ),
    week(
      2,
      'The hum nobody notices',
      'Every place has a keynote. Find yours by leaving it and coming back.',
      60,
    ),
    week(
      3,
      'A bell and what it wants',
      'Choose one sound that is meant to make people do something. Who obeys?',
      60,
    ),
    week(
      4,
      'Clap once',
      'Clap once in three rooms. Describe what comes back, to somebody who cannot hear it.',
      60,
    ),
    week(
      5,
      'After midnight',
      'Stay up, or get up. What is louder at night, and why is it not really louder?',
      60,
    ),
    week(
      6,
      'Ten minutes at one window',
      'Open one window and stay at it for ten minutes. Write down what you hear, in the order in which you notice it, not in the order in which it happens.',
      80,
    ),
    week(
      7,
      'Rain on five things',
      'Listen to rain on five different things, or pour a jug if the sky will not help.',
      80,
    ),
    week(
      8,
      'A walk for somebody else',
      'Write a walk of ten minutes for ears alone, for somebody who will take it.',
      120,
    ),
  ],
};
