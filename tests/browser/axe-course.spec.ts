import { inGroups, visitAll, visitEach, type Screens } from './axe';
import { startAfresh } from './help';
import { test } from './test';

test.beforeAll(() => startAfresh());

visitEach('questions', () => [
  ['the list', '/courses/geo-115/questions'],
  ['one that is open', '/courses/geo-115/questions/10'],
  ['a show of hands', '/courses/geo-115/questions/8'],
  ['asking for hands', '/courses/geo-115/questions?ask=hands'],
  ['the notebook', '/notebook'],
  ['one that is confirmed', '/courses/geo-115/questions/5'],
  ['asking', '/courses/geo-115/questions?ask=asks'],
  ['the line to the staff', '/courses/geo-115/questions?ask=line&to=staff'],
]);

const DESK: Screens = [
  ['the term on one sheet', '/courses/geo-115/desk'],
  ['a week of it', '/courses/geo-115/desk?week=7'],
  ['a discussion on the desk', '/courses/geo-115/desk/geo-115-w6'],
  ['one that is not shown yet', '/courses/geo-115/desk/geo-115-w9'],
  ['the class', '/courses/geo-115/desk/class'],
  ['who owes something', '/courses/geo-115/desk/class?choose=owe'],
  ['a rubric being built', '/courses/geo-115/desk/geo-115-w9/rubric'],
  ['one that is there', '/courses/geo-115/desk/geo-115-w6/rubric'],
  ['how the course does it', '/courses/geo-115/desk/settings'],
  ['announcements, for who writes them', '/courses/geo-115/announcements'],
  ['the first page as it is written', '/courses/geo-115/begin/edit'],
  ['writing a prompt', '/courses/geo-115/desk/new'],
  ['a prompt beside its brief', '/courses/geo-115/desk/geo-115-w7/rules'],
  ['a discussion as a student sees it', '/courses/geo-115/desk/geo-115-w7/as-student'],
  ['a draft that was handed over', '/courses/geo-115/desk/geo-115-w5'],
  ['marking', '/courses/geo-115/desk/geo-115-w5/marking'],
  ['marks as a table', '/courses/geo-115/desk/geo-115-w5/marking/table?sort=-points'],
  ['a mark that is asked about', '/courses/geo-115/desk/geo-115-w5/marking?first=asked'],
  ['how a course goes', '/courses/geo-115/desk/how-it-goes'],
  ['groups', '/courses/geo-115/desk/groups'],
  ['the syllabus as it is written', '/courses/geo-115/desk/syllabus'],
  ['in and out', '/courses/geo-115/desk/cartridge'],
  [
    'other dates, asked about',
    '/courses/geo-115/desk/geo-115-w6/dates?opens=2026-10-12T06:00&responseDue=2026-10-12T10:00&repliesDue=2026-10-18T23:59',
  ],
  ['something asked again', '/courses/geo-115/desk/geo-115-w6/again?act=lead&people='],
  ['what was changed in a prompt', '/discussions/geo-115-w6/prompt/changes'],
];
inGroups(DESK).forEach((group, i) => visitEach(`the course desk, ${i + 1}`, () => group, 'Dr. Maren Holt'));

visitEach(
  'marks of done or again',
  () => [
    ['a part that was done again', '/courses/snd-130/desk/snd-130-w5/marking?first=back'],
    ['a mark of done or again, as a table', '/courses/snd-130/desk/snd-130-w5/marking/table'],
  ],
  'Odile Marchetti',
);

visitAll([
  ['a course’s week', '/courses/pla-204/weeks/7'],
  ['how one begins', '/courses/geo-115/begin'],
  ['a syllabus', '/courses/geo-115/syllabus'],
  ['announcements', '/courses/snd-130/announcements'],
  ['people', '/courses/geo-115/people'],
  ['a reading', '/readings/geo-room-for-the-river'],
  ['a reading elsewhere', '/readings/geo-chapter-1'],
  ['a month', '/calendar'],
  ['progress', '/progress'],
  ['notices', '/notices'],
  ['notices, discussion by discussion', '/notices/each'],
  ['less mail', '/less-mail/none'],
  ['a part with its mark and comments', '/discussions/geo-115-w5/part'],
  ['an agenda', '/calendar?view=agenda'],
  ['the plan', '/calendar/plan'],
  ['other calendars', '/calendar/elsewhere'],
  ['find', '/find?q=levee'],
  ['find, nothing', '/find?q=zzzzqq'],
  ['nothing here', '/no/such/page'],
  ['a reading beside the writing', '/discussions/geo-115-w6/response?reading=geo-room-for-the-river'],
  ['bringing in a prompt', '/outside/new'],
  ['changing a post', '/discussions/pla-204-w6/posts/229/edit'],
  ['every version of a post', '/discussions/pla-204-w6/posts/229/history'],
  ['a receipt', '/receipts/229'],
  ['verifying a receipt', '/verify'],
]);
