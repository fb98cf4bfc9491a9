import type { WorldPages } from './types';

export const SND_PAGES: WorldPages = {
  overviews: [
    'Before one can describe a sound one has to have let it in. This week: mornings.',
    'The sound that is always there is the last that anybody names. We look for it, each at home.',
    'Sounds that want something of you: bells, horns, kettles, a name called across a yard.',
    'Rooms answer. One clap tells more than a floor plan.',
    'At night the ear is on its own. Walk in company, please.',
    'Ten minutes at one window, written down in the order of noticing.',
    'Rain is not one sound. Neither is wind, and snow is the loudest silence we have.',
    'The last walk is made for somebody who is not there.',
  ],
  readings: [
    {
      slug: 'snd-mornings',
      week: 1,
      title: 'Mornings',
      author: 'O. Marchetti',
      print: { place: 'sheet 1', words: 800 },
    },
    {
      slug: 'snd-keynotes',
      week: 2,
      title: 'Keynotes',
      author: 'O. Marchetti',
      print: { place: 'sheet 2', words: 1_200 },
    },
    {
      slug: 'snd-rooms',
      week: 4,
      title: 'What a clap knows',
      author: 'R. Lind',
      print: { place: 'sheet 4', words: 1_000 },
    },
    { slug: 'snd-window', week: 6, title: 'The order of noticing', author: 'O. Marchetti' },
  ],
  files: [],
  syllabus: {
    late: { rule: 'accepted', days: 7 },
    habits: { response: { weekday: 5, time: '20:00' }, replies: { weekday: 7, time: '22:00' } },
    scale: [
      { grade: 'Heard', from: 50 },
      { grade: 'Listen again', from: 0 },
    ],
    weights: [
      { what: 'Discussions', percent: 70 },
      { what: 'A walk for somebody else', percent: 30 },
    ],
    contact: {
      name: 'Odile Marchetti',
      email: 'odile.marchetti@tidewell.example',
      answers: 'when I am back from the field, usually within three days',
    },
    officeHours: [],
    notes:
      'Nobody ever failed this course by being slow. Everything is taken for a week after its day.\n\nTwo replies on two different days, because an ear that comes back hears more.',
  },
};
