import type { DeskDiscussion } from '@/contract/desk';
import { stateName } from './states';
import { moment } from './time';

/** Where a discussion stands, as the sheet of a term says it. */
export function deskState({ shown, showAt, state, schedule, marked, released }: DeskDiscussion): string {
  if (!shown)
    return showAt === null
      ? 'not shown to students yet'
      : `shown to students from ${moment(showAt, schedule.zone)}`;
  if (state === 'upcoming') return `opens ${moment(schedule.opens, schedule.zone)}`;
  const marks = marked
    ? `, ${marked} ${marked === 1 ? 'mark' : 'marks'} begun, ${released || 'none'} released`
    : '';
  return `${stateName(state).toLowerCase()}${marks}`;
}

const TROUBLES: Record<string, string> = {
  'week-taken': 'There is a week of this number already. Nothing was changed.',
  'week-in-use': 'There is something in this week, so it stays. Nothing was changed.',
  'has-posts':
    'Somebody has shared something in it, so it stays as it is: what counted goes on counting. Its dates can be changed.',
  'has-drafts':
    'Somebody has begun to write in it, so it stays in sight: nothing is taken from them. Its dates can be changed.',
  'not-empty': 'There are weeks in this course already, so nothing was taken over.',
  'nothing-there': 'There is no week in that course. Nothing was changed.',
  'has-marks': 'Marks were given by its rubric already, so that stays as it is.',
  'term-taken': 'There is a course of this code in that term already. Nothing was changed.',
  'groups-stay':
    'Somebody has shared something in it: whether it is held in groups stays as it is. Nothing was changed; the rest can be.',
  holidays:
    'A line of the holidays cannot be read. Write each like 2026-10-26 to 2026-10-30 Reading week. Nothing was changed, and nothing you wrote is lost.',
  'shared-earlier':
    'Somebody has shared something in one of these weeks, so they are not moved earlier together. Nothing was changed; single dates can be, and whom that touches is said first.',
  'no-reason': 'Say why in a sentence: the student reads it. Nothing was changed.',
  'not-between': 'That moment is before the discussion opened, or still to come. Nothing was changed.',
  'answered-gone': 'The post it answers is gone, so it cannot count as a reply to it. Nothing was changed.',
  touches:
    'It would take something from somebody who has shared here, so nothing was changed. Do it by name, some at a time: whom it touches is said first then.',
  'no-parts': 'This discussion gives out neither sides nor the lead. Nothing was changed.',
  'group-taken': 'There is a group of that name already. Nothing was changed.',
  'group-in-use': 'There are posts in this group, so it stays. Nothing was changed.',
  'too-many-groups': 'There are a hundred groups already. Nothing was changed.',
  nobody: 'Choose whom first. Nothing was changed.',
  'nothing-written': 'A title and a text are needed, so nothing was sent. Nothing you wrote is lost.',
  'document-too-large': 'The text is too large, so nothing was sent. Nothing you wrote is lost.',
  'document-malformed': 'The text could not be read, so nothing was sent. Nothing you wrote is lost.',
  unwritten: 'A title and a text are needed, so nothing was sent. Nothing you wrote is lost.',
  'no-student': 'That is no student of this course. Nothing was changed.',
  'no-dates': 'Say until when: for the response, for the replies, or both. Nothing was changed.',
  'not-found': 'That is not there any more. Nothing was changed.',
  'no-time': 'One of the dates is no time. Write it like 2026-10-15 23:59. Nothing was changed.',
  'before-opening': 'The response would be due before the discussion opens. Nothing was changed.',
  'before-response': 'The replies would be due before the response is. Nothing was changed.',
  'changed-meanwhile':
    'Somebody else wrote on this mark meanwhile: theirs stands here now, and yours was not kept over it. Go back in the browser to see yours.',
  'no-marks': 'No mark is written in full that its student does not see already. Nothing was released.',
  'no-marker': 'That is nobody who teaches this course. Nothing was changed.',
  'not-both': 'The mark or its second reading is not written in full yet. Nothing was changed.',
  'own-mark':
    'They wrote one of these marks themselves: a second reading is somebody else’s. Nothing was changed.',
  'second-first':
    'You read this part a second time, so its mark is not yours to see or to change until that is written in full. Nothing was changed.',
  'no-file': 'No file arrived. Choose one and send it again.',
  'table-too-large': 'That file is larger than any class’s marks: more than 2 MB. Nothing was read.',
  'table-empty': 'There is nobody in that file. Nothing was changed.',
  'table-too-long': 'That file has more than 2,000 lines. Nothing was changed.',
  'table-columns':
    'No column of that file was recognised: it needs one for the student (id, mail address or name), and one for each criterion by its title, for the points, or for the verdict, whichever this is marked by. Nothing was changed.',
  'marks-moved':
    'Somebody wrote on one of these marks in this moment, so nothing was taken over. This is what the file would change now.',
  'not-read':
    'The file was not read: it takes too long, or too much is being read for you at once. Wait a moment and send it again. Nothing was changed.',
  fields: 'Something is missing or cannot be used. Nothing was changed.',
};
const DONE: Record<string, string> = {
  week: 'The week is added.',
  weeks: 'The weeks are added.',
  'too-many-weeks': 'A course has at most 60 weeks, so none was added.',
  'taken-over':
    'Taken over: weeks, readings, prompts and files, each on its weekday. Nothing is shown to the class yet.',
  'taken-one': 'Taken: its deadlines fall on their weekdays here. The class sees nothing before you show it.',
  'week-kept': 'Kept.',
  'week-gone': 'The week is taken away.',
  moved: 'Moved, with every deadline and extension in it.',
  made: 'It is a discussion now. The class sees it once you show it.',
  rules: 'Kept: this is what it asks for now.',
  show: 'The class sees it from now on.',
  'show-at': 'Kept: it shows itself then, within a minute. Empty, it waits for you.',
  hide: 'The class does not see it any more.',
  remove: 'It is taken away.',
  dates: 'The dates are kept.',
  extend: 'They have more time, and see it on their page.',
  excuse: 'Excused: nothing is owed.',
  refuse: 'Answered: no. They see it on their page.',
  usual: 'They have everybody’s deadlines again.',
  away: 'Put away.',
  mended: 'Settled: whoever said it hears so.',
  rubric: 'The rubric is kept. Students see it beside the prompt.',
  'deal-sides': 'Given out: whoever had no side has one now, and sees it on their page.',
  side: 'Their side is kept, and they see it on their page.',
  lead: 'Kept: who leads sees it on their page.',
  'deal-leads': 'Dealt out, for this discussion and those after it that nobody led yet.',
  syllabus: 'The syllabus is kept. Where students sign it, another text asks them again.',
  'let-count':
    'It counts as of then, and the class reads it. The student sees so, with your reason, and so does the receipt.',
  'give-back': 'Given back: the student reads why.',
  'group-make': 'The group is made. Choose students and move them into it.',
  'group-rename': 'Its name is kept.',
  'group-drop': 'The group is taken away. Whoever was in it is in none now.',
  'group-move': 'Moved. What they wrote stays where it is and counts as before.',
  'group-deal': 'Dealt out. Move single students as you like.',
  'mark-kept': 'Kept. The student sees it once it is released.',
  'marks-released': 'Released: whoever it is for sees their mark on their page now.',
  'table-taken': 'Taken over. Students see nothing of it before it is released.',
  'table-nothing': 'Nothing of the file was taken over: no mark of it was chosen.',
  'table-left': 'The file is left alone. Nothing was changed.',
  'share-out': 'Shared out: each opens the page with their own share, and can look at everybody’s.',
  'share-none': 'The class is nobody’s share in particular now.',
  second: 'Asked for: the mark waits until the second reading agrees, or one says which shall stand.',
  'second-none': 'Nobody reads these a second time now.',
  'let-stand': 'The mark stands, and can be released.',
  way: 'Kept: it is marked this way. Nothing that was written or released is lost.',
  'release-at': 'Kept: what is written in full by then is released by itself.',
  'release-never': 'Kept: marks are released by hand only.',
  settings: 'Kept. New discussions begin with it.',
  written: 'Sent to them alone. It stands among your announcements.',
  hours: 'Every deadline of this course is later for them from now on, and they see it on their pages.',
  'no-hours': 'They have everybody’s deadlines again, but for extensions.',
};

/** What became of something done at the desk, by its code. */
export const deskAnswer = (code: string): { good: boolean; text: string } => {
  const good = DONE[code];
  return good
    ? { good: true, text: good }
    : {
        good: false,
        text: TROUBLES[code] ?? 'That did not work, and nothing was changed. Try again in a moment.',
      };
};
