import type { Reason } from '@/core/worth/rank';
import { list } from './plural';

type Tone = 'owed' | 'view' | 'idea' | 'plain';

/** A reason as it stands on a sign, and what it rests on. */
export function reasonText(reason: Reason): { sign: string; tone: Tone; because: string } {
  switch (reason.code) {
    case 'no-replies':
      return { sign: 'no replies yet', tone: 'owed', because: 'Nobody has answered it.' };
    case 'one-reply':
      return { sign: '1 reply', tone: 'plain', because: 'Only one classmate has answered it.' };
    case 'answered-me':
      return { sign: 'answered you', tone: 'owed', because: 'Its author has answered you here.' };
    case 'other-view':
      return {
        sign: 'other view',
        tone: 'view',
        because: `It stands on the other side: “${reason.sentence}”`,
      };
    case 'same-idea':
      return {
        sign: `same idea: ${reason.term}`,
        tone: 'idea',
        because: `Both of you work with “${reason.term}”.`,
      };
    case 'asked':
      return { sign: 'asked the class', tone: 'idea', because: `It asks: “${reason.question}”` };
    case 'close':
      return {
        sign: 'close to yours',
        tone: 'idea',
        because: `Both speak of ${list(reason.words.map((w) => `“${w}”`))}, which few others do.`,
      };
    case 'far':
      return { sign: 'far from yours', tone: 'view', because: 'It speaks of quite other things than yours.' };
    case 'unread':
      return { sign: 'unread', tone: 'view', because: 'You have not read it.' };
    case 'answered-before':
      return { sign: 'you answered', tone: 'plain', because: 'You have answered this classmate here.' };
  }
}
