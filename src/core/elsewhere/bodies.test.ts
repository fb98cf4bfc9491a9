import { discussionInText } from './find-discussion';

it('a day that stands over what was written on it is no word of anybody’s', () => {
  const copied = `What do you hear at home?

Monday, 12 October
Noor Vasquez
10:05
A tap that drips, and behind it the fridge that hums all night.
Kwame Sorley
11:20
Which of the two do you hear first when you come in?
Tuesday, 13 October
Teodora Lind
09:15
The lift. It sighs when it stops on our floor, and nobody gets out.`;
  const { posts } = discussionInText(copied, '2026-10-15T08:00');
  expect(posts.map((p) => [p.author, p.wall, p.text])).toEqual([
    ['Noor Vasquez', '2026-10-12T10:05', 'A tap that drips, and behind it the fridge that hums all night.'],
    ['Kwame Sorley', '2026-10-12T11:20', 'Which of the two do you hear first when you come in?'],
    [
      'Teodora Lind',
      '2026-10-13T09:15',
      'The lift. It sighs when it stops on our floor, and nobody gets out.',
    ],
  ]);
});
