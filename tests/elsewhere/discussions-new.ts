import type { Labelled } from './discussions';

export const BRIDGES: Labelled = {
  course: 'ENG 140 Structures',
  title: 'The bridge you would close first',
  prompt: [
    'Three bridges of the county are listed as poor. Read the inspector’s sheets and say which one you would close first, and what you would tell the people who use it.',
    'Your post needs at least 180 words and one figure from the sheets. Answer two others by Monday.',
  ],
  due: 'Friday 6 November 2026, 20:00',
  posts: [
    {
      author: 'Hanna van der Meer',
      at: '2026-11-03T08:12',
      parent: null,
      title: 'Close the mill bridge',
      text: [
        'The mill bridge, because its bearings are rusted through on the north side. The sheet says 40 % of the section is gone, and the school bus is the heaviest thing that crosses it.',
        'I would tell the parents first, at the stop, and not by letter:',
        'On 12 November the bus goes the long way round. It takes eleven minutes more.',
      ],
    },
    {
      author: 'Tomas Eriksen',
      at: '2026-11-03T12:47',
      parent: 0,
      text: [
        'Eleven minutes is what people will remember. Could the bus stop on this side, and the children walk over?',
      ],
    },
    {
      author: 'Hanna van der Meer',
      at: '2026-11-03T13:30',
      parent: 1,
      text: [
        'They could. I asked at the school: forty-one children, and the smallest is five. In January it is dark at eight.',
      ],
    },
    {
      author: 'Aroha Ngata',
      at: '2026-11-04T07:58',
      parent: null,
      title: 'None of them',
      text: [
        'I would close none. A closed bridge is repaired last. Put a limit of three tonnes on all three, and people complain every day until somebody pays.',
      ],
    },
    {
      author: 'Li Wen',
      at: '2026-11-04T09:20',
      parent: 3,
      text: [
        'Does anybody keep to a limit of three tonnes? The sheet of the ford bridge has a photograph of a milk lorry.',
      ],
    },
    {
      author: 'Tomas Eriksen',
      at: '2026-11-04T16:05',
      parent: 3,
      text: ['I like how cynical this is. But the inspector can go to prison, and you cannot.'],
    },
    {
      author: 'Prof. Edith Calloway',
      staff: true,
      at: '2026-11-05T10:00',
      parent: 5,
      text: ['Can she? Look up who signs the sheet, please, and who decides.'],
    },
    {
      author: 'Li Wen',
      at: '2026-11-05T21:14',
      parent: null,
      title: 'The ford bridge',
      text: [
        'The ford bridge has been hit four times since 2021, always by the same kind of lorry, always at the same corner. I would close it to lorries with a stone, and leave it open for everybody else.',
        'What I would say: nothing. A stone explains itself.',
      ],
    },
    {
      author: 'Aroha Ngata',
      at: '2026-11-05T22:02',
      parent: 7,
      text: ['A stone explains itself until the fire engine comes.'],
    },
  ],
};

export const RECIPES: Labelled = {
  course: 'ANT 210 Food and Memory',
  title: 'A dish nobody writes down',
  prompt: [
    'Describe a dish of your family that stands in no book. Who makes it, how do they know when it is done, and what would be lost if it were written down?',
    'Reply to at least one classmate and ask a question that only they can answer.',
  ],
  due: '11/13/2026 11:59 PM',
  posts: [
    {
      author: 'Salome Iturbe',
      at: '2026-11-09T18:30',
      parent: null,
      text: [
        'My aunt makes a soup of stale bread and whatever is green. She knows it is done when the dog comes in. There is no other sign, and there have been four dogs.',
        'If I wrote it down I would have to write “wait for the dog”, and then it would be a joke and no soup.',
      ],
    },
    {
      author: 'Viktor Halloran',
      at: '2026-11-09T19:02',
      parent: 0,
      text: ['Has it ever been made without a dog? And what did you do in the year between two of them?'],
    },
    {
      author: 'Salome Iturbe',
      at: '2026-11-09T20:11',
      parent: 1,
      text: ['We ate at my cousin’s. I am not joking.'],
    },
    {
      author: 'Mirela Dobos',
      at: '2026-11-10T07:45',
      parent: null,
      text: [
        'Plum dumplings, but with a stone left in one of them. Whoever gets the stone tells what they did wrong this year.',
        'It is not in any book because my grandmother invented it in 1961 to find out who had sold the goat.',
      ],
    },
    { author: 'Oskar Nyberg', at: '2026-11-10T08:30', parent: 3, text: ['Did she find out?'] },
    {
      author: 'Mirela Dobos',
      at: '2026-11-10T12:00',
      parent: 4,
      text: ['She had sold it herself. She got the stone, and told everybody.'],
    },
    {
      author: 'Oskar Nyberg',
      at: '2026-11-11T15:15',
      parent: null,
      text: [
        'Herring, and I will not say more, because that is the point: my father goes out of the kitchen for the last step, takes the bowl with him, and comes back.',
        'I asked him in October. He said: when you have a son.',
      ],
    },
    {
      author: 'Viktor Halloran',
      at: '2026-11-11T17:40',
      parent: 6,
      text: ['And if you have daughters? I think it is vinegar, by the way, and the rest is theatre.'],
    },
    {
      author: 'Ada Quist',
      staff: true,
      at: '2026-11-12T09:05',
      parent: 6,
      text: [
        'Notice that three of you describe a secret and one of you a joke. Which of them is harder to hand on?',
      ],
    },
  ],
};

export const NOISE: Labelled = {
  course: 'SOC 118 Living Close Together',
  title: 'Discussion 4: Whose noise is it?',
  prompt: [
    'Listen for ten minutes where you live and write down what you hear. Then choose one sound and argue who should have the right to stop it. 200 to 300 words, first post by Wednesday evening; two replies of 50 words by Sunday.',
  ],
  due: 'Wed, Nov 18, 6:00 PM',
  posts: [
    {
      author: 'Grace Adeyemi',
      at: '2026-11-16T21:05',
      parent: null,
      text: [
        'A fridge, a tap, two people who are not angry but loud, and a drone. I choose the drone.',
        'Nobody should have the right to stop it, I wrote first. Then it came back, lower, and looked in.',
      ],
    },
    {
      author: 'Piet Lammers',
      at: '2026-11-17T06:50',
      parent: 0,
      text: ['Is it still about noise, then? I think you would mind a silent drone more.'],
    },
    {
      author: 'Grace Adeyemi',
      at: '2026-11-17T07:33',
      parent: 1,
      text: ['Yes. The noise is what makes it honest.'],
    },
    {
      author: 'Nadia Rahimi',
      at: '2026-11-17T11:11',
      parent: null,
      text: [
        'Bells, at six, at noon, at six. I timed them: ninety seconds each. I do not belong to that church and I set my day by it.',
        'So the right to stop them belongs to those who would miss them, and that is me as well.',
      ],
    },
    {
      author: 'Piet Lammers',
      at: '2026-11-17T13:13',
      parent: 3,
      text: [
        'That is a beautiful rule. It would silence nothing at all, because somebody would miss anything: my neighbour’s motorbike, too.',
      ],
    },
    {
      author: 'Ruth Okello',
      at: '2026-11-18T15:27',
      parent: null,
      text: [
        'Ten minutes of rain on a tin roof, so I heard nothing else. I choose the roof.',
        'My landlord could put boards under it for the price of one month. The right is mine, the hammer is his.',
      ],
    },
    {
      author: 'Nadia Rahimi',
      at: '2026-11-18T17:01',
      parent: 5,
      text: [
        'Who would have to sign for the boards, you or him? In our house it took a lawyer to get a door that shuts.',
      ],
    },
    {
      author: 'Ruth Okello',
      at: '2026-11-18T17:45',
      parent: 6,
      text: ['Both, and he is in Spain until spring.'],
    },
  ],
};
