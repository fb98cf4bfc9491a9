import type { Block, Merged } from '@/core/elsewhere/blocks';
import { isOwnName } from '@/core/elsewhere/names';
import { plainText } from '@/core/document/flatten';
import { WhenField } from '../frame/when-field';
import { DocumentView } from '../document/document-view';
import { wallText } from '../words/time';
import { BECAUSE, BLOCK_NAMES, MERGED } from '../words/elsewhere';

const OPENING = 70;
const openingOf = (block: Block) => {
  const text = (block.title ? `${block.title}. ` : '') + plainText(block.doc).replace(/\s+/gu, ' ');
  return text.length > OPENING ? `${text.slice(0, OPENING)}…` : text;
};

const TONES: Record<Merged['what'], string> = {
  new: 'bg-pine-tint text-pine-ink',
  changed: 'bg-ochre-tint text-ochre-ink',
  known: 'bg-rule-soft text-ink-2',
};

const Sign = ({ tone, children }: { tone: string; children: string }) => (
  <span className={`rounded-[5px] px-1.5 text-[11.5px] font-semibold ${tone}`}>{children}</span>
);

/** How far down in its thread a block stands; of a ring it stands at the top. */
function depthOf(blocks: readonly Block[], i: number): number {
  let [at, n] = [blocks[i], 0];
  while (at?.kind === 'reply' && at.to !== null && n <= blocks.length) {
    at = blocks[at.to];
    n += 1;
  }
  return n > blocks.length ? 0 : n;
}

/** Whom a block may answer: everybody before it and after it but itself. */
function Answers({ blocks, i }: { blocks: readonly Block[]; i: number }) {
  const block = blocks[i];
  if (!block) return null;
  const value = block.kind === 'reply' ? (block.to === null ? 'response' : `reply-${block.to}`) : block.kind;
  return (
    <label>
      <span className="sr-only">What block {i + 1} is</span>
      <select name={`kind-${i}`} defaultValue={value} className="field text-[13px]">
        {Object.entries(BLOCK_NAMES).map(([kind, name]) => (
          <option key={kind} value={kind}>
            {name}
          </option>
        ))}
        <optgroup label="A reply to">
          {blocks.map((b, k) =>
            k === i || b.kind === 'prompt' || b.kind === 'other' ? null : (
              <option key={k} value={`reply-${k}`}>
                Reply to {k + 1}, {b.author || 'nobody in particular'}: {openingOf(b).slice(0, 40)}
              </option>
            ),
          )}
        </optgroup>
      </select>
    </label>
  );
}

/** One block of a page: what it is, by whom and when, its text, and the ways to join and split it. */
export function FoundBlock(props: {
  blocks: readonly Block[];
  i: number;
  merged: Merged | null;
  you: string;
}) {
  const { blocks, i, merged } = props;
  const block = blocks[i];
  if (!block) return null;
  const isPost = block.kind === 'response' || block.kind === 'reply';
  const over = block.kind === 'reply' && block.to !== null ? blocks[block.to] : null;
  const mine =
    isPost &&
    isOwnName(
      block.author,
      props.you,
      blocks.map((b) => b.author),
    );
  return (
    <li
      className={`border-t border-rule-soft py-2.5 pr-4 first:border-t-0 sm:pr-5 ${block.kind === 'other' ? 'bg-page-2' : ''}`}
      style={{ paddingLeft: `calc(16px + ${Math.min(depthOf(blocks, i), 6)} * clamp(8px, 1.8vw, 22px))` }}
      aria-label={`Block ${i + 1}`}
    >
      <div className="grid items-start gap-x-4 gap-y-1 lg:grid-cols-[minmax(0,1fr)_250px]">
        <div className="min-w-0">
          <p className="flex flex-wrap items-baseline gap-x-2 text-[13px]">
            <span className="text-ink-3 tabular-nums">{i + 1}</span>
            <b>
              {isPost ? block.author || 'By nobody yet' : block.kind === 'prompt' ? 'The prompt' : 'Left out'}
            </b>
            {isPost && block.wall ? <span className="text-ink-2">{wallText(block.wall)}</span> : null}
            {mine ? <Sign tone="bg-pine-tint text-pine-ink">yours, posted there</Sign> : null}
            {isPost && block.staff ? <Sign tone="bg-sky-tint text-sky">staff</Sign> : null}
            {merged ? <Sign tone={TONES[merged.what]}>{MERGED[merged.what]}</Sign> : null}
            {isPost && block.author === '' ? (
              <span className="font-semibold text-brick">Without a name it stays out.</span>
            ) : null}
            {over ? (
              <span className="text-ink-2">
                to {over.author}
                {block.because ? `: ${BECAUSE[block.because]}` : ''}
              </span>
            ) : null}
          </p>
          <details className="mt-0.5">
            <summary className="min-h-6 font-serif text-[15px] leading-snug">{openingOf(block)}</summary>
            <div className="mt-2 grid gap-3 pb-2">
              {isPost ? (
                <div className="flex flex-wrap items-end gap-3">
                  <label className="grid gap-0.5 text-[12.5px] font-semibold">
                    Whose
                    <input
                      className="field font-normal"
                      name={`author-${i}`}
                      defaultValue={block.author}
                      maxLength={120}
                      autoComplete="off"
                    />
                  </label>
                  <label className="grid gap-0.5 text-[12.5px] font-semibold">
                    Posted there at
                    <WhenField className="field font-normal" name={`wall-${i}`} wall={block.wall ?? ''} />
                  </label>
                  <label className="flex min-h-9 items-center gap-2 text-[13px] font-semibold">
                    <input
                      type="checkbox"
                      name={`staff-${i}`}
                      defaultChecked={block.staff}
                      className="size-4 accent-(--pine)"
                    />
                    Teaches the course
                  </label>
                </div>
              ) : null}
              <div>
                {i > 0 ? (
                  <button name="act" value={`join:${i}`} className="link mb-1 min-h-6 text-[12.5px]">
                    This goes on from block {i}: join them
                  </button>
                ) : null}
                {block.doc.content.map((paragraph, k) => (
                  <div key={k}>
                    {k > 0 ? (
                      <button
                        name="act"
                        value={`split:${i}:${k}`}
                        className="link my-1 min-h-6 text-[12.5px]"
                      >
                        A new post begins here
                        <span className="sr-only">
                          , at paragraph {k + 1} of block {i + 1}
                        </span>
                      </button>
                    ) : null}
                    <DocumentView doc={{ type: 'doc', content: [paragraph] }} className="!text-[15px]" />
                  </div>
                ))}
              </div>
            </div>
          </details>
        </div>
        <Answers blocks={blocks} i={i} />
      </div>
    </li>
  );
}
