import type { CommentTalk } from '@/contract/marks';
import { moment } from '../words/time';

/** What was said about a comment, oldest first. */
export function Talk({ talk, zone }: { talk: CommentTalk; zone: string }) {
  return (
    <>
      {talk.answers.length ? (
        <ul className="grid gap-1">
          {talk.answers.map((a) => (
            <li key={a.id} className="border-l-2 border-rule pl-2.5 text-[13px]">
              <b>{a.mine ? 'You' : a.author}</b> <span className="text-ink-2">{moment(a.at, zone)}</span>
              <span className="block whitespace-pre-line">{a.body}</span>
            </li>
          ))}
        </ul>
      ) : null}
      {talk.understood ? <p className="text-[12.5px] text-ink-2">Marked as understood.</p> : null}
    </>
  );
}
