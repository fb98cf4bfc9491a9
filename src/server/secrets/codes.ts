import { randomInt } from 'node:crypto';

/** Letters and digits that nobody takes for one another, however they are written down. */
const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';
const IN_A_GROUP = 4;

/** A code that can be written on a board or a slip: groups of four signs by chance. @example newCode(3) // 'k7mq-2xhf-9tab' */
export const newCode = (groups: number): string =>
  Array.from({ length: groups }, () =>
    Array.from({ length: IN_A_GROUP }, () => SIGNS[randomInt(SIGNS.length)]).join(''),
  ).join('-');

/** A code as it was made, from what somebody typed. @example plainCode(' K7MQ 2XHF 9TAB ') // 'k7mq-2xhf-9tab' */
export const plainCode = (typed: string): string =>
  (
    typed
      .toLowerCase()
      .replace(/[^a-z0-9]/gu, '')
      .slice(0, 40)
      .match(/.{1,4}/gu) ?? []
  ).join('-');
