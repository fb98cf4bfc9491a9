import { shareFailureText } from '../words/failures';

/** What became of a form that was sent without scripts. */
export function FormAnswer({ code, zone }: { code: string | null; zone: string }) {
  if (!code || !/^[a-z-]{1,40}$/u.test(code)) return null;
  const good = code === 'kept';
  return (
    <p
      role="status"
      className={`mb-2 rounded-control px-3 py-2 font-medium ${good ? 'bg-pine-tint' : 'bg-brick-tint'}`}
    >
      {good ? 'Your draft is kept.' : formFailure(code, zone)}
    </p>
  );
}

/** Refusals name their moment in the page itself; after a form only the code comes back. */
function formFailure(code: string, zone: string): string {
  const dated = ['not-open-yet', 'closed', 'response-deadline-passed', 'reply-deadline-passed'];
  return dated.includes(code)
    ? 'It was not shared: the time for it had passed or not come. Your text is kept as a draft.'
    : shareFailureText({ code }, zone);
}
