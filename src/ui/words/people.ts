import { PASSWORD_LENGTH, type PasswordProblem } from '@/core/people/naming';
import type { RosterProblem } from '@/core/people/roster';
import { plural } from './plural';

/** "a student", "an instructor". */
export const asRole = (role: string) => `${/^[aeiou]/u.test(role) ? 'an' : 'a'} ${role}`;

const PASSWORDS: Record<PasswordProblem, string> = {
  'too-short': `A password has at least ${PASSWORD_LENGTH.least} characters. Four or five words in a row are easy to remember and hard to guess.`,
  'too-long': `A password has at most ${PASSWORD_LENGTH.most} characters.`,
  'too-plain':
    'That is too easy to guess: it is one character, or a row of neighbours. Four or five words are better.',
  'is-yours': 'That is too easy to guess: it is mostly your name, your address or the college’s name.',
};
export const passwordText = (why: PasswordProblem) => PASSWORDS[why];

const TROUBLES: Record<string, string> = {
  'key-unknown':
    'This link opens nothing: perhaps a newer one was sent meanwhile, or a part of it is missing. Use the newest mail, or ask for another.',
  'key-used': 'This link was used already, and it works once. If that was you, sign in.',
  'key-over': 'This link is too old. Ask for another: it comes by mail.',
  'taken-back': 'This invitation was taken back. Nothing was changed; ask whoever invited you.',
  accepted: 'This invitation was accepted already. Sign in.',
  ended: 'This account was ended. Nothing was changed; ask a steward of your college.',
  'address-taken': 'Another account uses this address. Nothing was changed.',
  'wrong-password': 'That is not your password. Nothing was changed.',
  'too-many-tries': 'Too many tries. Wait an hour, then try again. Nothing was changed.',
  'sign-in-again':
    'You have no password here, so this is done within ten minutes of signing in. Sign out, sign in again, and come back. Nothing was changed.',
  'wrong-code':
    'That is not the code of now. Look at your authenticator again: a code is good for half a minute, and once. Nothing was changed.',
  'on-already': 'A second factor is asked for already. Nothing was changed.',
  'too-many': 'You have 20 passkeys, which is the most. Take one away first.',
  over: 'That took too long, or was done in another window. Begin again; nothing was changed.',
  'not-taken': 'That passkey is not known here, or was not shown to the end. Nothing was changed.',
  'no-passkey': 'No passkey was shown. Nothing was changed: try again, or sign in another way.',
  'there-already': 'This very passkey is there already. Nothing was changed.',
  'last-way': 'This passkey is the only way into your account: set a password first. Nothing was changed.',
  'no-answer': 'Nothing was answered. Nothing was changed: look at your connection and try again.',
  demo: 'This is one of the demo’s people, whom everybody may enter as: the password, the address and the account stay as they are.',
  'last-steward':
    'This is the only steward: somebody has to look after Pulpit. Make another steward first. Nothing was changed.',
  'has-shared':
    'There are shared posts in this course, which classmates may have answered: whoever wrote them stays listed in it. Nothing was changed.',
  'not-ended': 'Only an account that was ended is erased. Nothing was changed.',
  'no-such-code':
    'No course has this code. Nothing was changed: look at it again, or ask whoever gave it to you.',
  'not-found': 'That is not there any more. Nothing was changed.',
  'code-taken':
    'A course has this code already. Nothing was made: choose another, for example with the year in it.',
  fields: 'Something is missing or cannot be used. What you typed is still here.',
  'roster-too-large':
    'That file is larger than any roster (4 MB). Nothing was read: save only the names, addresses and roles as CSV.',
  'roster-empty': 'There is nobody in that file. Nothing was changed.',
  'roster-too-long': 'That file has more than 5,000 people. Nothing was read: bring it in parts.',
  'no-columns':
    'No column of that file holds mail addresses beside names. Name the columns “name” and “mail” in the first line, and “role” where not everybody is a student.',
  'not-a-picture':
    'That file is not a picture that can be drawn. Nothing was changed: choose a JPEG, PNG or WebP.',
  'picture-large': 'That picture is larger than 8 MB. Nothing was changed: choose a smaller one.',
  'archive-too-large':
    'That archive is too large to be brought in. Nothing was changed. Unpack it, keep only the folder “data”, pack that again, and send it.',
  'archive-no-archive': 'That file is no .zip archive, or a damaged one. Nothing was changed.',
  'archive-no-courses':
    'There are no courses of your own in that archive. Nothing was changed: it may come from an older Pulpit; save it there anew.',
  'archive-not-own-courses': 'That archive does not come from a Pulpit. Nothing was changed.',
  'archive-newer': 'That archive comes from a newer Pulpit than this one. Nothing was changed.',
  'archive-malformed':
    'Something in that archive is not as Pulpit writes it, so none of it was taken. Nothing was changed: save it anew.',
  'archive-not-read': 'That archive takes too long to read. Nothing was changed.',
  'no-file': 'No file arrived. Choose one and send it again.',
  'not-read':
    'That file took too long to read, so it was put aside. Nothing was changed: save it as CSV and try again.',
};

/** What went wrong, what was kept, and what to do. */
export const peopleTrouble = (code: string): string =>
  TROUBLES[code] ?? 'That did not work, and nothing was changed. Try again in a moment.';

const GOOD: Record<string, string> = {
  invited: 'Invited: a mail with a link is on its way.',
  'let-in': 'There was an account under this address: it is in, and was told by mail.',
  'there-already': 'Whoever has this address is there already. Nothing was changed.',
  'invited-already': 'This address is invited already. Nothing was sent again; below it can be.',
  again: 'Sent again, with a new link. The one before opens nothing any more.',
  'taken-back': 'Taken back: its link opens nothing any more.',
  kept: 'Kept.',
  role: 'The role is changed.',
  'role-none': 'Taken out of the course.',
  steward: 'A steward from now on.',
  'no-steward': 'No steward any more.',
  end: 'The account is ended, and signed out everywhere. It can be reopened.',
  reopen: 'The account is open again.',
  'sign-out': 'Signed out everywhere.',
  'no-second': 'No second factor is asked of them any more, and they were told by mail.',
  code: 'The course has a new code. One it had before opens nothing any more.',
  'stop-code': 'The code opens nothing any more.',
  granted: 'Let in, and told by mail.',
  refuse: 'Refused.',
  leavers: 'Kept. It holds for whoever leaves from now on.',
  forgotten: 'Erased for good.',
  made: 'The course is made. Next: who teaches it.',
  'password-changed': 'Your password is changed. Wherever else you were signed in, you are signed out.',
  'address-asked':
    'A mail with a link is on its way to the new address. Until it is opened, nothing changes.',
  'signed-out-there': 'Signed out there.',
  'signed-out-elsewhere': 'Signed out everywhere else.',
  joined: 'You are in.',
  asked: 'You have asked to be let in. You will be told by mail.',
  left: 'You have left the course.',
  picture: 'Your picture is kept.',
  'picture-gone': 'You have no picture any more.',
  'archive-known': 'All of that archive is here already, or its courses are held here. Nothing was changed.',
  'archive-without-files':
    'Brought in, but not all files: some are too large, or there is no room for them here. Their names stand in the texts; the files are in the archive.',
  'archive-hosted':
    'Brought in, but for courses that are held here under the same name: those stay as they are.',
  mark: 'Kept.',
  'corrections-forgotten': 'All of them are deleted.',
  'second-off': 'No second factor is asked for any more.',
  'passkey-made': 'The passkey is kept: it signs you in from now on.',
  'passkey-gone': 'The passkey is taken away: it signs nobody in any more.',
};
/** What was done. */
export const peopleDone = (code: string): string | null => GOOD[code] ?? null;

/** Why a line of a roster cannot be used. */
export function rosterProblemText(p: RosterProblem): string {
  switch (p.code) {
    case 'no-address':
      return 'has no mail address';
    case 'bad-address':
      return 'has an address that is none';
    case 'no-name':
      return 'has no name';
    case 'long-name':
      return 'has a name of more than 200 characters';
    case 'formula':
      return 'begins like a formula, which is no name or address';
    case 'bad-role':
      return 'has a role that is not student, instructor, assistant or observer';
    case 'doubled':
      return `has the address of row ${p.line}`;
  }
}

type Logged = {
  act: string;
  by: string | null;
  person: string | null;
  course: string | null;
  detail: Record<string, string | number>;
};

/** One line of the stewards' log, as a sentence. */
export function logText({ act, by, person, course, detail }: Logged): string {
  const who = by ?? 'Somebody who is gone';
  const whom = person ?? 'somebody who is gone';
  const where = course ?? 'a course that is gone';
  const role = typeof detail.role === 'string' ? asRole(detail.role) : '';
  const count = (key: string) => Number(detail[key] ?? 0);
  switch (act) {
    case 'first-run':
      return `${who} began this installation.`;
    case 'college':
      return `${who} changed what is said of the college.`;
    case 'course-made':
      return `${who} made ${where}.`;
    case 'course-code':
      return `${who} gave ${where} a code.`;
    case 'course-code-stopped':
      return `${who} stopped the code of ${where}.`;
    case 'invited':
      return course
        ? `${who} invited somebody to ${where}, as ${role}.`
        : `${who} invited somebody as a steward.`;
    case 'invited-again':
      return `${who} sent an invitation again${course ? `, to ${where}` : ''}.`;
    case 'invitation-taken-back':
      return `${who} took an invitation back${course ? `, to ${where}` : ''}.`;
    case 'roster':
      return `${who} brought a roster to ${where}: ${count('invited')} invited, ${count('letIn')} let in.`;
    case 'role-given':
      return `${who} made ${whom} ${role} of ${where}.`;
    case 'role-taken':
      return `${who} took ${whom} out of ${where}.`;
    case 'steward-made':
      return `${who} made ${whom} a steward.`;
    case 'steward-ended':
      return `${who} ended the stewardship of ${whom}.`;
    case 'account-ended':
      return `${who} ended the account of ${whom}.`;
    case 'account-reopened':
      return `${who} reopened the account of ${whom}.`;
    case 'signed-out':
      return `${who} signed ${whom} out everywhere.`;
    case 'second-factor-taken':
      return `${who} took the second factor of ${whom} away.`;
    case 'forgotten':
      return `${who} had an account erased for good.`;
    case 'leavers':
      return `${who} changed what becomes of posts in ${where} when their writers leave.`;
    case 'join-granted':
      return `${who} let ${whom} into ${where}.`;
    case 'corrections-forgotten':
      return `${who} forgot ${plural(count('forgotten'), 'correction', 'corrections')} of prompts that people had given.`;
    case 'join-refused':
      return `${who} refused ${whom} at ${where}.`;
    default:
      return `${who}: ${act}.`;
  }
}

/** What becomes of shared posts when their writer leaves. */
export const stayingText = (leavers: 'stay' | 'withdraw') =>
  leavers === 'stay'
    ? 'What the class reads of it stays, under “a former student”; earlier texts of it are erased.'
    : 'This course withdraws them then, and their texts are erased.';

/** What became of a roster. */
export const rosterTakenText = (t: { invited: number; letIn: number; there: number }) =>
  `${plural(t.invited, 'person', 'people')} invited by mail, ${t.letIn} let in at once, ${t.there} there already.`;

/** What became of something said on the page of a course's people, by its code. */
export const peopleAnswer = (code: string): { good: boolean; text: string } =>
  code === 'times'
    ? { good: true, text: 'Your times are kept. Groups can be made by them; nobody reads them.' }
    : { good: false, text: 'That could not be read, and nothing was changed. Try again.' };

/** What became of signing a course's syllabus, by its code. */
export const syllabusAnswer = (code: string): { good: boolean; text: string } =>
  code === 'signed'
    ? { good: true, text: 'You have signed it. You are asked again only if it is changed.' }
    : {
        good: false,
        text:
          code === 'changed-meanwhile'
            ? 'It was changed meanwhile, so nothing was signed. Read it as it is now.'
            : 'Nothing was signed. Try again in a moment.',
      };
