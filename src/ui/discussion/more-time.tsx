import { moreTimeAt } from '@/contract/addresses';
import type { AskedForTime } from '@/contract/discussion';
import { moment } from '../words/time';

const ANSWERED: Record<AskedForTime['answered'], string> = {
  'not-yet': 'It is not answered yet: until then your deadlines stay.',
  granted: 'You were given more time: the deadlines above are yours.',
  refused: 'The answer was no: your deadlines stay.',
};

/** Asking for more time, and what became of it. */
export function MoreTime({ slug, asked, zone }: { slug: string; asked: AskedForTime | null; zone: string }) {
  return (
    <div className="mt-3 text-[13px]">
      {asked ? (
        <p className={asked.answered === 'not-yet' ? 'text-ochre-ink' : 'text-ink-2'}>
          You asked for more time on {moment(asked.askedAt, zone)}. {ANSWERED[asked.answered]}
        </p>
      ) : null}
      <details>
        <summary className="link min-h-6 w-fit cursor-pointer">
          {asked ? 'Ask again' : 'Ask for more time'}
        </summary>
        <form action={moreTimeAt(slug)} method="post" className="mt-2 grid gap-2">
          <label className="grid gap-1 font-semibold">
            Why, in a sentence
            <input name="reason" required maxLength={600} className="field font-normal" />
            <span className="font-normal text-ink-2">Only the staff of the course read this.</span>
          </label>
          <button type="submit" className="btn justify-self-start">
            Ask
          </button>
        </form>
      </details>
    </div>
  );
}
