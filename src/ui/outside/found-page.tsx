import { foundSaidAt, putAwayAt } from '@/contract/addresses';
import type { Found, Merged } from '@/core/elsewhere/blocks';
import { plural } from '../words/plural';
import { mergeText } from '../words/elsewhere';
import { FoundBlock } from './found-block';

/** What was found on a page that was brought in, block by block, to be put right; the page's own words stand beside. */
export function FoundBlocks(props: {
  id: string;
  source: string;
  whole: string;
  found: Found;
  into: { slug: string; title: string; merged: Merged[] } | null;
  you: string;
}) {
  const { id, found, into } = props;
  const { blocks } = found;
  const posts = blocks.filter((b) => b.kind === 'response' || b.kind === 'reply');
  const people = new Set(posts.map((b) => b.author)).size;
  const count = (what: Merged['what']) => into?.merged.filter((m) => m.what === what).length ?? 0;
  return (
    <main id="main" className="mx-auto max-w-[1100px] px-4 py-5 sm:px-7">
      <h1 className="text-[23px] leading-tight">
        {into ? `A newer copy of “${into.title}”` : 'Is this what stands on the page?'}
      </h1>
      <p className="mt-1 max-w-[72ch] text-[14px] text-ink-2">
        Found in {props.source}: {plural(posts.length, 'post')} by {plural(people, 'person', 'people')}
        {into
          ? `; ${count('new')} new, ${count('changed')} changed, ${count('known')} here already.`
          : blocks.some((b) => b.kind === 'prompt')
            ? ', and the prompt.'
            : ', and no prompt: say below which block it is, or write it on the next page.'}{' '}
        Put right what is wrong. Only you can read any of it.
      </p>
      <form action={foundSaidAt(id)} method="post" className="mt-4 grid gap-4">
        {into ? null : (
          <div className="grid gap-3 sm:grid-cols-2">
            <label className="grid gap-0.5 text-[13px] font-semibold">
              Title
              <input className="field font-normal" name="title" defaultValue={found.title} maxLength={160} />
            </label>
            <label className="grid gap-0.5 text-[13px] font-semibold">
              Course
              <input
                className="field font-normal"
                name="course"
                defaultValue={found.course}
                maxLength={120}
              />
            </label>
          </div>
        )}
        {/* Enter in a field goes on, and neither joins nor splits. */}
        <button name="act" value="keep" className="sr-only" tabIndex={-1} aria-hidden>
          Keep
        </button>
        <ol className="plate overflow-hidden" aria-label="Blocks of the page">
          {blocks.map((_, i) => (
            <FoundBlock
              key={i}
              blocks={blocks}
              i={i}
              merged={into?.merged.find((m) => m.block === i) ?? null}
              you={props.you}
            />
          ))}
        </ol>
        <div className="sticky bottom-0 -mx-4 flex flex-wrap items-center gap-2 border-t border-rule bg-desk px-4 py-3 sm:-mx-7 sm:px-7">
          <button name="act" value="go" className="btn go">
            {into ? mergeText(count('new'), count('changed')) : 'Go on: what the prompt asks'}
          </button>
          <button name="act" value="keep" className="btn">
            Keep and look again
          </button>
          <button formAction={putAwayAt(id)} className="btn ml-auto">
            Put it away
          </button>
        </div>
      </form>
      <details className="plate mt-4 px-5 py-3">
        <summary className="min-h-6 font-semibold">The words of the page, as they came</summary>
        <pre
          className="mt-2 max-h-[50dvh] overflow-auto font-serif text-[14px] whitespace-pre-wrap"
          tabIndex={0}
        >
          {props.whole.slice(0, 60_000)}
        </pre>
      </details>
    </main>
  );
}
