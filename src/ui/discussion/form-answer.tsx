import { own } from '@/core/own';
import { shareFailureText } from '../words/failures';

const GOOD: Record<string, string> = {
  kept: 'Your draft is kept.',
  changed: 'Your post is changed: the class reads the new text, and the one before is kept.',
  'note-kept': 'Your note to yourself is kept.',
  withdrawn: 'It is withdrawn: nobody reads it any more, and its text is your draft again.',
};
const WITHDRAWAL: Record<string, string> = {
  answered: 'It was not withdrawn: somebody has answered it meanwhile. It can still be changed.',
  'deadline-passed': 'It was not withdrawn: its deadline has passed. It can still be changed.',
  gone: 'It was withdrawn or hidden before.',
};

/** What became of a form that was sent without scripts. */
export function FormAnswer({ code, zone }: { code: string | null; zone: string }) {
  if (!code || !/^[a-z-]{1,40}$/u.test(code)) return null;
  const good = own(GOOD, code);
  return (
    <p
      role="status"
      className={`mb-2 rounded-control px-3 py-2 font-medium ${good ? 'bg-pine-tint' : 'bg-brick-tint'}`}
    >
      {good ?? formFailure(code, zone)}
    </p>
  );
}

/** Refusals name their moment in the page itself; after a form only the code comes back. */
function formFailure(code: string, zone: string): string {
  const withdrawn = own(WITHDRAWAL, code);
  if (withdrawn) return withdrawn;
  const dated = ['not-open-yet', 'closed', 'response-deadline-passed', 'reply-deadline-passed'];
  return dated.includes(code)
    ? 'It was not shared: the time for it had passed or not come. Your text is kept as a draft.'
    : shareFailureText({ code }, zone);
}
