import { partAgainAt } from '@/contract/addresses';
import type { Feedback } from '@/contract/marks';
import { QuietForm } from '../notes/note-form';
import { moment } from '../words/time';

/** What to do where the mark says "do again": change what was shared, then give it back. */
export function DoAgain({
  slug,
  zone,
  again,
}: {
  slug: string;
  zone: string;
  again: NonNullable<Feedback['again']>;
}) {
  const { givenBack, changed } = again;
  return (
    <section
      aria-labelledby="do-again"
      className="grid gap-2 rounded-control border border-ochre bg-ochre-tint px-3.5 py-2.5 text-[13.5px]"
    >
      <h4 id="do-again" className="font-sans text-[14px] font-semibold">
        {givenBack === null ? 'Do it again' : `Given back ${moment(givenBack, zone)}`}
      </h4>
      <p>
        {givenBack !== null
          ? 'Whoever marks sees what you changed. You can go on changing it until there is a new mark.'
          : changed
            ? 'You changed it since the mark. Give it back when it is as you want it.'
            : 'Change what you shared, on the left, though the discussion is over; then give it back here. What counted stays counted.'}
      </p>
      {changed ? (
        <QuietForm action={partAgainAt(slug)} className="grid gap-1.5" label="Give it back">
          <input
            className="field"
            name="said"
            maxLength={600}
            aria-label="A sentence to whoever marks"
            placeholder="What you did differently (optional)"
          />
          <button className="btn go justify-self-start" name="do" value="give-back">
            {givenBack === null ? 'Give it back to be marked again' : 'Give it back once more'}
          </button>
        </QuietForm>
      ) : null}
    </section>
  );
}
