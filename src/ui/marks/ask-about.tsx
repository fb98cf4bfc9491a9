import { partCommentsAt } from '@/contract/addresses';
import { talkKey, type CommentTalk } from '@/contract/marks';
import { COMMENT_LIMITS } from '@/core/marks/comment';
import { QuietForm } from '../notes/note-form';
import { Talk } from './talk';

/** A private line about one criterion, or the whole mark: what was asked and answered, and where to ask. Only staff of the course read it. */
export function AskAbout({
  slug,
  zone,
  criterion,
  name,
  talk,
}: {
  slug: string;
  zone: string;
  criterion: string;
  /** Of what, for its names: "“Ideas”", "this mark". */
  name: string;
  talk: Record<string, CommentTalk>;
}) {
  const said = talk[talkKey({ criterion })] ?? { answers: [], understood: false };
  return (
    <div className="mt-1.5 grid gap-1.5 text-[13px]">
      <Talk talk={said} zone={zone} />
      <details>
        <summary className="link min-h-6 w-fit text-[12.5px]">
          {said.answers.length ? 'Write back' : 'Ask about'}
          <span className={said.answers.length ? 'sr-only' : ''}> {name}</span>
        </summary>
        <QuietForm action={partCommentsAt(slug)} className="mt-1 grid gap-1.5" label={`Ask about ${name}`}>
          <input type="hidden" name="criterion" value={criterion} />
          <textarea
            className="field"
            name="body"
            rows={2}
            required
            maxLength={COMMENT_LIMITS.body}
            aria-label={`Your question about ${name}`}
            placeholder="Only your instructors read this"
          />
          <button className="btn justify-self-start" name="do" value="ask">
            Send to your instructors
          </button>
        </QuietForm>
      </details>
    </div>
  );
}
