/** A discussion as it was, by which what is read from its pages is judged. All people and places are made up. */
export type Labelled = {
  course: string;
  title: string;
  prompt: string[];
  due: string;
  posts: {
    author: string;
    staff?: boolean;
    at: string;
    /** Whose post it answers, by its place in the list; null for a response. */
    parent: number | null;
    title?: string;
    text: string[];
  }[];
};

export const LEVEES: Labelled = {
  course: 'GEO 115 Rivers & Floodplains',
  title: 'Should the Amber valley levees be moved back?',
  prompt: [
    'Two plans are on the table for the Amber valley: rebuild the levees where they are, or move them back by three hundred metres.',
    'In 250 words or more, say which you would choose and use two ideas from chapter 6. Then reply to three classmates with at least 75 words each.',
  ],
  due: 'Thursday 15 October 2026, 23:59',
  posts: [
    {
      author: 'Noor Vasquez',
      at: '2026-10-12T20:05',
      parent: null,
      title: 'Rebuild them, but only to the old height',
      text: [
        'I read the council paper twice and I still would rebuild. Moving a levee sounds gentle, but somebody lives in the new floodplain.',
        'The old wall held for sixty years, so the wall was not the problem; what was built behind it was. On 3 March 1987 the water stood a hand below the top and nobody moved away.',
      ],
    },
    {
      author: 'Imani Okoro',
      at: '2026-10-13T09:12',
      parent: 0,
      text: [
        'Hi Noor, I agree that the building is where the damage comes from, but I do not think the wall is innocent of it.',
        'The levee effect says people build because the wall holds. Would a ban on new houses last longer than one council?',
      ],
    },
    {
      author: 'Noor Vasquez',
      at: '2026-10-13T10:40',
      parent: 1,
      text: [
        'A ban lasted eleven years in Lydeside, and then it went in one evening. So yes, I doubt it too.',
      ],
    },
    {
      author: 'Desmond Aule',
      at: '2026-10-13T11:03',
      parent: 0,
      text: [
        'Desmond here, from the insurance side. A premium that follows the risk does what a ban cannot.',
        'In our street the premium doubled on 1 May, and two houses were sold within the month.',
      ],
    },
    {
      author: 'Pilar Ostrom',
      at: '2026-10-13T12:30',
      parent: null,
      title: 'My uncle farms inside the new line',
      text: [
        'My uncle farms inside the new line. He would lose nine hectares of barley and gets an offer for four.',
        'If the meadows are given back, somebody has to pay for the grass. That is my whole answer.',
      ],
    },
    {
      author: 'Teodora Lind',
      at: '2026-10-13T16:18',
      parent: 4,
      text: [
        'Pilar, who made that offer, and does it count the years in which the field is under water anyway?',
        'I ask because our own field is worth less with every wet spring.',
      ],
    },
    {
      author: 'Dr. Maren Holt',
      staff: true,
      at: '2026-10-13T17:55',
      parent: 4,
      text: [
        'Thank you for the numbers. Could you look up what the law says about compensation for grassland, and tell us on Thursday?',
      ],
    },
    {
      author: 'Jun Hathaway',
      at: '2026-10-14T08:01',
      parent: null,
      title: 'Three meadows, three answers',
      text: [
        'There are three meadows in the plan and they are not alike. The upper one floods already, the middle one is a football pitch, the lower one is somebody’s grave.',
        'Moving the levee is right for the first, wrong for the third, and for the second it depends on the team.',
      ],
    },
  ],
};

export const SIGNS: Labelled = {
  course: 'PLA 204 Finding Your Way',
  title: 'A sign that lies',
  prompt: [
    'Find a sign that says something else than what is so. Describe it, say why it is still there, and redraw it in words.',
    'Write at least 150 words by Wednesday and answer two of your classmates with forty words each by Saturday.',
  ],
  due: 'Wednesday 14 October 2026, 22:00',
  posts: [
    {
      author: 'Kwame Sorley',
      at: '2026-10-11T14:22',
      parent: null,
      text: [
        'It says NO ENTRY on the gate of the allotments. People enter. It was put up in the drought, when the tank was rationed, and then the drought ended and the sign did not.',
        'Come in. Shut it after you. The tank is for tomatoes, not cars.',
      ],
    },
    {
      author: 'Lucinda Farrow',
      at: '2026-10-11T15:10',
      parent: 0,
      text: [
        'What I like is that everybody reads it and nobody obeys. Is that still a sign, or is it a picture of one?',
      ],
    },
    {
      author: 'Rafi Castellan',
      at: '2026-10-11T15:44',
      parent: 1,
      text: [
        'It is a sign for strangers only. We had the same at the quarry: those who know walk past, and those who do not turn round.',
      ],
    },
    {
      author: 'Kwame Sorley',
      at: '2026-10-11T18:02',
      parent: 1,
      text: ['A picture of a sign. I will steal that.'],
    },
    {
      author: 'Teodora Lind',
      at: '2026-10-12T07:35',
      parent: null,
      text: [
        '“Diversion”, with an arrow into the bakery car park. It has pointed there since the bridge was mended in 2019, and the baker will not have it taken down because it brings him people.',
        'I would write: the road is open, the bread is good, decide for yourself.',
      ],
    },
    {
      author: 'Odile Marchetti',
      staff: true,
      at: '2026-10-12T09:00',
      parent: 4,
      text: ['This is the first one this year that somebody keeps up on purpose. Who owns a sign, then?'],
    },
    {
      author: 'Teodora Lind',
      at: '2026-10-12T09:48',
      parent: 5,
      text: [
        'The county owns the post, the baker owns the effect. I asked both and each sent me to the other one.',
      ],
    },
    {
      author: 'Pilar Ostrom',
      at: '2026-10-12T19:20',
      parent: null,
      text: [
        'Farm shop, turn left now. There is no farm shop. There was one until my aunt got tired of people asking for oranges in March.',
        'She leaves the sign because it slows the cars at the bend, and that is worth more than the shop ever earned.',
      ],
    },
    {
      author: 'Kwame Sorley',
      at: '2026-10-13T06:58',
      parent: 7,
      text: [
        'So it lies about the shop and tells the truth about the bend. Could you say both on one board?',
      ],
    },
  ],
};

export const CLOCKS: Labelled = {
  course: 'HIS 230 Time and Towns',
  title: 'Who kept the time before the railway?',
  prompt: [
    'Choose one town from the reader and explain who decided what time it was there before 1850. Cite one source. Your first post should have about 200 words; respond to at least two others.',
  ],
  due: 'October 9, 2026 at 11:59 PM',
  posts: [
    {
      author: 'Anselm Price',
      at: '2026-10-05T13:41',
      parent: null,
      text: [
        'In Harrowmouth the sexton decided. He rang at noon when the sun stood over the weathercock, and the mill, the school and the court all took it from him.',
        'Dunmore (2011) quotes a judge who came late because the sexton was drunk, and who fined himself.',
      ],
    },
    {
      author: 'Greta Lindqvist',
      at: '2026-10-05T19:27',
      parent: 0,
      text: [
        'Does Dunmore say whether anybody complained? A court that runs on one man’s thirst seems worth a letter.',
      ],
    },
    {
      author: 'Anselm Price',
      at: '2026-10-06T08:15',
      parent: 1,
      text: [
        'There are two letters, both from the miller. He wanted a clock, and got one nineteen years later.',
      ],
    },
    {
      author: 'Bo Akintola',
      at: '2026-10-06T12:00',
      parent: null,
      text: [
        'I chose Saltby, where the tide decided. The ferry left on the flood, and everything else, school too, was counted from the ferry.',
        'That is a moving noon: it comes fifty minutes later each day. People lived with it because all of them fished.',
      ],
    },
    {
      author: 'Ines de la Cruz',
      at: '2026-10-06T21:33',
      parent: 3,
      text: [
        'I had never thought that a school could begin fifty minutes later each day. What did they do on Sundays?',
      ],
    },
    {
      author: 'Greta Lindqvist',
      at: '2026-10-07T10:09',
      parent: 3,
      text: ['My grandmother’s village did something like that with milking. Nobody called it time, though.'],
    },
    {
      author: 'Ines de la Cruz',
      at: '2026-10-07T22:50',
      parent: null,
      text: [
        'Nobody decided in Upper Wick, and that is my argument: there were four clocks, on four churches, and people said which one they meant.',
        'The source is the parish book, page 88, where a wedding is entered as held at ten by Saint Anne.',
      ],
    },
    {
      author: 'Prof. Howard Imre',
      staff: true,
      at: '2026-10-08T09:30',
      parent: 6,
      text: ['A fine find. Is “ten by Saint Anne” a time, or is it a place?'],
    },
    {
      author: 'Bo Akintola',
      at: '2026-10-08T11:45',
      parent: 7,
      text: ['Both, I would say: who says Saint Anne says also which side of the brook they live on.'],
    },
  ],
};

export const SOIL: Labelled = {
  course: 'AGR 101 Soils',
  title: 'Week 3: Dig a hole',
  prompt: [
    'Dig a hole of forty centimetres somewhere you are allowed to. Tell us what you see from top to bottom, what surprised you, and what you would grow there.',
    'Post a photograph if you can. Comment on two other holes.',
  ],
  due: 'Sunday, September 20, 2026',
  posts: [
    {
      author: 'Marta Oyelaran',
      at: '2026-09-16T17:05',
      parent: null,
      title: 'Brick all the way',
      text: [
        'Ten centimetres of black crumbs, then brick. I moved the spade three times. It is brick everywhere, in a layer as thick as my hand, and under it yellow clay that holds its shape.',
        'I would grow nothing with a root. Perhaps thyme.',
      ],
    },
    {
      author: 'Samuel Whitcombe',
      at: '2026-09-16T20:44',
      parent: 0,
      title: 'Re: Brick all the way',
      text: [
        'We had that behind the garage. It was the old bakehouse floor, and the rhubarb loves it: the brick keeps the wet.',
      ],
    },
    {
      author: 'Yuki Brandt',
      at: '2026-09-17T06:20',
      parent: null,
      title: 'Sand, and then the sea',
      text: [
        'Sand, sand, darker sand, and at thirty-five centimetres water that tastes of salt. I stopped there.',
        'What surprised me is that the grass does not mind.',
      ],
    },
    {
      author: 'Marta Oyelaran',
      at: '2026-09-17T12:12',
      parent: 2,
      title: 'Re: Sand, and then the sea',
      text: [
        'How far from the beach is it? And is the salt there in winter, when it rains more than it dries?',
      ],
    },
    {
      author: 'Yuki Brandt',
      at: '2026-09-17T18:31',
      parent: 3,
      title: 'Re: Sand, and then the sea',
      text: ['Two hundred metres. I will dig again in January and tell you.'],
    },
    {
      author: 'Samuel Whitcombe',
      at: '2026-09-18T09:02',
      parent: null,
      title: 'A worm for every centimetre',
      text: [
        'I counted forty-one worms in forty centimetres. The top is leaf, the next hand is brown, below that it goes grey and smells of eggs.',
        'So the water stands there. I would grow willow, and sit on it.',
      ],
    },
    {
      author: 'Leonie Achterberg',
      at: '2026-09-19T15:55',
      parent: 5,
      title: 'Re: A worm for every centimetre',
      text: ['The smell of eggs is sulphur, I think: the reader says so on page 31. Have you tried a drain?'],
    },
    {
      author: 'Dana Petrov',
      staff: true,
      at: '2026-09-20T10:10',
      parent: 0,
      title: 'Re: Brick all the way',
      text: ['Please bring a piece of that brick to class. I think it is older than the house.'],
    },
  ],
};
