import type { ChangeRefusal } from '@/core/counting/permission';
import { moment } from './time';

/** Why a shared post cannot be changed now. */
export function changeRefusalText(r: ChangeRefusal, zone: string): string {
  switch (r.code) {
    case 'closed':
      return `This discussion closed on ${moment(r.closed - 1, zone)}. What is shared stays as it is.`;
    case 'gone':
      return 'This post was withdrawn or hidden, so there is nothing to change.';
    case 'answered':
    case 'opened-others':
    case 'deadline-passed':
      return withdrawalText(r, zone);
  }
}

/** Why a shared post cannot be withdrawn; it may still be changed. */
export function withdrawalText(r: ChangeRefusal, zone: string): string {
  switch (r.code) {
    case 'answered':
      return 'It cannot be withdrawn: somebody has answered it.';
    case 'opened-others':
      return 'It cannot be withdrawn: this discussion is sealed, and you have opened classmates’ posts. You can still change it.';
    case 'deadline-passed':
      return `It cannot be withdrawn: its deadline passed on ${moment(r.due, zone)}.`;
    case 'closed':
    case 'gone':
      return '';
  }
}
