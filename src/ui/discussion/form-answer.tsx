import { own } from '@/core/own';
import { shareFailureText, type SaidByCode } from '../words/failures';

const GOOD: Record<string, string> = {
  kept: 'Your draft is kept.',
  changed: 'Your post is changed: the class reads the new text, and the one before is kept.',
  'time-asked': 'Asked: the staff of the course see it, and why. Until they answer, your deadlines stay.',
  'trouble-said': 'Said: the staff of the course see it. You hear when it is mended.',
  handed:
    'Handed over: the staff of the course read it, with what you said and when you wrote it. It stays your draft, too.',
  'note-kept': 'Your note to yourself is kept.',
  withdrawn: 'It is withdrawn: nobody reads it any more, and its text is your draft again.',
};
const REFUSED: Record<string, string> = {
  sealed:
    'It was not shared: this discussion is sealed until your own response is shared. Your text is kept as a draft.',
  answered: 'It was not withdrawn: somebody has answered it meanwhile. It can still be changed.',
  'deadline-passed': 'It was not withdrawn: its deadline has passed. It can still be changed.',
  'time-not-asked': 'Nothing was asked: write in a sentence why. Your deadlines stay as they are.',
  'trouble-not-said':
    'Nothing was said: write in a sentence what does not work. Twenty of one person may wait at a time.',
  'not-handed':
    'It was not handed over: say in a sentence what happened. Five of one person may wait at a time. Your draft is kept.',
  gone: 'It was withdrawn or hidden before.',
};

/** Those that a form may come back with. */
const SAID_BY_CODE = [
  'nothing-written',
  'document-too-large',
  'document-malformed',
  'answered-gone',
  'post-not-open',
  'not-found',
  'gone',
  'changed-meanwhile',
  'not-posted-yet',
  'no-such-time',
] as const satisfies SaidByCode[];

/** What became of a form that was sent without scripts. */
export function FormAnswer({ code, zone }: { code: string | null; zone: string }) {
  if (!code || !/^[a-z-]{1,40}$/u.test(code)) return null;
  const good = own(GOOD, code);
  return (
    <p
      role="status"
      data-refused={good ? undefined : ''}
      className={`mb-2 rounded-control px-3 py-2 font-medium ${good ? 'bg-pine-tint' : 'bg-brick-tint'}`}
    >
      {good ?? formFailure(code, zone)}
    </p>
  );
}

/** Refusals name their moment in the page itself; after a form only the code comes back. */
function formFailure(code: string, zone: string): string {
  const refused = own(REFUSED, code);
  if (refused) return refused;
  const dated = ['not-open-yet', 'closed', 'response-deadline-passed', 'reply-deadline-passed'];
  if (code === 'thread-locked') return shareFailureText({ code }, zone);
  return dated.includes(code)
    ? 'It was not shared: the time for it had passed or not come. Your text is kept as a draft.'
    : shareFailureText({ code: SAID_BY_CODE.find((known) => known === code) ?? 'other' }, zone);
}
