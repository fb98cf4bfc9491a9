import type { CommonFailure, FailureOf } from '@/contract/endpoint';
import type { changing, sharing } from '@/contract/writing';
import type { NotAsked } from '@/contract/questions';
import type { Refusal } from '@/core/counting/permission';
import { moment } from './time';
import { refusalText } from './verdicts';

const KEPT = 'Your text is kept as a draft.';

/** Failures of which the code says all. */
export type SaidByCode = Exclude<
  (FailureOf<typeof sharing> | FailureOf<typeof changing> | NotAsked | CommonFailure)['code'],
  Refusal['code']
>;

/** What happened to a post that could not be shared, what was kept, and what to do. */
export function shareFailureText(failure: Refusal | { code: SaidByCode | 'other' }, zone: string): string {
  switch (failure.code) {
    case 'nothing-written':
      return 'There is nothing to share yet: the text is empty.';
    case 'document-too-large':
    case 'too-large':
      return `The text is too large to share. ${KEPT} Take something out and try again.`;
    case 'document-malformed':
    case 'malformed':
      return `Something in the text cannot be shared: most often a link that is not a web or mail address. ${KEPT}`;
    case 'answered-gone':
      return `The post you answer was withdrawn or hidden meanwhile, so nothing was shared. ${KEPT} Reload the page to see it with your text.`;
    case 'post-not-open':
      return `The post you answer is no longer there to be answered. ${KEPT}`;
    case 'not-found':
      return 'This discussion is not open to you. Sign in with the account that is enrolled in it; your text stays here.';
    case 'signed-out':
      return 'You are no longer signed in. Your text stays on this machine: sign in in another tab, then share again.';
    case 'no-answer':
      return 'Pulpit does not answer. Your text is kept on this machine; try again in a moment. It can never be shared twice.';
    case 'gone':
      return 'This post was withdrawn or hidden meanwhile, so it was not changed. Your new text is kept.';
    case 'changed-meanwhile':
      return 'This post was changed in another window meanwhile, so it was not changed again. Your text here is kept: reload the page to see both, then share the one that shall stand.';
    case 'no-choices':
      return `A show of hands needs two choices at least, and a time until when. ${KEPT}`;
    case 'no-meeting':
      return `An hour to meet needs a time, a place, and slots of a minute at least. ${KEPT}`;
    case 'no-corner':
      return `This course keeps no such corner any more. ${KEPT} Choose another way.`;
    case 'staff-only':
      return `Only the staff of a course offer hours to meet. ${KEPT}`;
    case 'no-group':
      return `You are in no group of this course. ${KEPT} Choose somebody else to ask.`;
    case 'no-cover-from-staff':
      return `This course takes no question whose asker its staff do not know. ${KEPT} Choose another way.`;
    case 'not-posted-yet':
      return `That time has not come yet. ${KEPT} Say when it was posted there.`;
    case 'no-such-time':
      return `That is no date and time that can be meant here. ${KEPT} Write another one.`;
    case 'not-open-yet':
    case 'closed':
    case 'response-deadline-passed':
    case 'reply-deadline-passed':
    case 'sealed':
    case 'thread-locked':
      return `${refusalText(failure, zone)} ${KEPT}`;
    default:
      return `That did not work. ${KEPT} Try again; it can never be shared twice.`;
  }
}

export const otherWindowText = (keptAt: number, zone: string) =>
  `This draft was also changed in another window, ${moment(keptAt, zone)}. Both texts are kept. Which shall stand?`;
