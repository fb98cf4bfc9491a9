import type { Labelled } from './discussions';

export const MAPS: Labelled = {
  course: 'CAR 160 Maps and Power',
  title: 'What did the surveyor leave out?',
  prompt: [
    'Compare the parish map of 1842 with the one of 1910 and find one thing that the later surveyor left out. Say who would have wanted it gone.',
    'Write 200 words, and answer at least two classmates by Sunday evening.',
  ],
  due: 'Thursday, 3 December 2026, 18:00',
  posts: [
    {
      author: 'Wilma Sørensen',
      at: '2026-11-30T07:40',
      parent: null,
      text: [
        'The path to the well. In 1842 it is a double line from the church to the field, in 1910 there is a hedge and no gate in it.',
        'The mill had bought the field in 1897. A path that is on no map is a path that you can plough.',
      ],
    },
    {
      author: 'Chidi Marsh',
      at: '2026-11-30T09:05',
      parent: 0,
      text: ['Is the well still on the later map? If it is, then somebody forgot to leave that out, too.'],
    },
    {
      author: 'Wilma Sørensen',
      at: '2026-11-30T11:18',
      parent: 1,
      text: ['It is, without a name. I had not seen that: a well that nobody can reach.'],
    },
    {
      author: 'Yara Dunmore',
      at: '2026-11-30T20:30',
      parent: 0,
      text: [
        'Our village did it the other way round. The path is on every map and the hedge is in the field, and whoever believes the map gets wet.',
      ],
    },
    {
      author: 'Bruno Halvorsen',
      at: '2026-12-01T06:12',
      parent: null,
      text: [
        'Seven houses at Low End. They stand on the first map with their gardens, and on the second there is a wood.',
        'I walked there on Sunday. The wood has apple trees in rows.',
      ],
    },
    {
      author: 'Chidi Marsh',
      at: '2026-12-01T08:44',
      parent: 4,
      text: ['Apple trees in rows is the best sentence of this week. Who had the houses?'],
    },
    {
      author: 'Bruno Halvorsen',
      at: '2026-12-01T12:01',
      parent: 5,
      text: ['The same mill. I think Wilma and I have found one man.'],
    },
    {
      author: 'Dr. Petra Osei',
      staff: true,
      at: '2026-12-01T15:00',
      parent: 6,
      text: ['Then look at who paid for the survey, and tell the others on Thursday what you find.'],
    },
    {
      author: 'Yara Dunmore',
      at: '2026-12-02T21:50',
      parent: null,
      text: [
        'Nothing was left out on my sheet, and something was put in: a boundary stone that was never there. The vicar swore to it in 1911.',
      ],
    },
  ],
};

export const SLEEP: Labelled = {
  course: 'BIO 122 Rhythms',
  title: 'Week 5: Your own sleep diary',
  prompt: [
    'Keep a diary of three nights. Report when you slept, what woke you, and which of the two models of chapter 5 explains it better. At least 150 words. Then comment on two diaries with one question each.',
  ],
  due: '25.11.2026 22:00',
  posts: [
    {
      author: 'Leila Haddad',
      at: '2026-11-22T10:10',
      parent: null,
      text: [
        'First night five hours, second night nine, third night five again. What woke me was the second night: I dreamt that I was late.',
        'The model with two processes explains the nine hours. It does not explain the dream.',
      ],
    },
    {
      author: 'Joost Verbeek',
      at: '2026-11-22T13:25',
      parent: 0,
      text: [
        'Did you go to bed at the same time on all three? With me the hour says more than the number of them.',
      ],
    },
    {
      author: 'Leila Haddad',
      at: '2026-11-22T14:02',
      parent: 1,
      text: ['No: at one, at eleven, at one. So you may be right about the hour.'],
    },
    {
      author: 'Sanna Whitlock',
      at: '2026-11-23T06:30',
      parent: null,
      text: [
        'I work nights in the bakery, so my three nights are three mornings. I sleep from nine to two, and what wakes me is the school next door at break.',
        'Neither model has a school in it.',
      ],
    },
    {
      author: 'Idris Bell',
      at: '2026-11-23T19:19',
      parent: 3,
      text: ['Could you ask the school when its break is? That would be an experiment that costs nothing.'],
    },
    {
      author: 'Joost Verbeek',
      at: '2026-11-24T08:00',
      parent: 3,
      text: ['I would add light to it: are your curtains black, or are they only dark?'],
    },
    {
      author: 'Idris Bell',
      at: '2026-11-24T21:37',
      parent: null,
      text: [
        'Eight hours, eight hours, eight hours, and I was tired each day. I set an alarm and it rang each time.',
        'The clock model says that I wake at the wrong hour. I will try without the alarm and write again on Friday.',
      ],
    },
    {
      author: 'Leila Haddad',
      at: '2026-11-25T07:55',
      parent: 6,
      text: ['What if you are late without it? I ask for a friend who dreams of that.'],
    },
  ],
};

export const TOOLS: Labelled = {
  course: 'DES 201 Things We Hold',
  title: 'The handle',
  prompt: [
    'Choose a tool you use each week. Draw its handle, and argue whether it was made for your hand. 180 words or more, one drawing. Respond to two others.',
  ],
  due: 'Dec 4, 2026 11:00 PM',
  posts: [
    {
      author: 'Fern Castellanos',
      at: '2026-12-01T16:20',
      parent: null,
      title: 'A peeler for the left',
      text: [
        'My peeler has a blade on one side only, and it is the other one. I peel away from myself, and my thumb is where the blade ends.',
        'It was made for a hand, and the hand is not mine.',
      ],
    },
    {
      author: 'Ossian Grant',
      at: '2026-12-01T17:02',
      parent: 0,
      title: 'Re: A peeler for the left',
      text: ['Have you tried to turn the blade round? On ours it is held by one pin.'],
    },
    {
      author: 'Fern Castellanos',
      at: '2026-12-01T18:45',
      parent: 1,
      title: 'Re: A peeler for the left',
      text: ['I did, just now, and it took four minutes. I have had it for nine years.'],
    },
    {
      author: 'Mina Tallis',
      at: '2026-12-02T08:15',
      parent: null,
      title: 'The spade with a bend',
      text: [
        'My grandfather bent the shaft of his spade over a fire, because he was short and the spade was not. It fits me exactly, and nobody else in the house can dig with it.',
      ],
    },
    {
      author: 'Abel Norrington',
      at: '2026-12-02T19:30',
      parent: 3,
      title: 'Re: The spade with a bend',
      text: [
        'Is it ash? I ask because ash bends once and then never again, which is a nice thing to say about a grandfather.',
      ],
    },
    {
      author: 'Ossian Grant',
      at: '2026-12-03T07:07',
      parent: null,
      title: 'Scissors in the drawer',
      text: [
        'All four pairs of scissors in our drawer have a large hole and a small one. I use the small one for my thumb, and so does everybody I asked.',
        'So they were made for a hand that holds them the other way.',
      ],
    },
    {
      author: 'Prof. Judith Amory',
      staff: true,
      at: '2026-12-03T11:11',
      parent: 5,
      title: 'Re: Scissors in the drawer',
      text: ['You asked how many people? Please draw the hand that they were made for.'],
    },
  ],
};
