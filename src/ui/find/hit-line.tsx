import type { Hit } from './hits';

/** What a hit says: its title, where it stands, and the passage that matched. */
export function HitLine({ hit }: { hit: Hit }) {
  return (
    <>
      <b className="block truncate">{hit.title}</b>
      <span className="block truncate text-[12.5px] text-ink-2">{hit.line}</span>
      {hit.passage.length ? (
        <span className="mt-0.5 line-clamp-2 block font-serif text-[13.5px] text-ink-2">
          {hit.passage.map((p, i) =>
            p.hit ? (
              <mark key={i} className="bg-mark text-ink">
                {p.text}
              </mark>
            ) : (
              <span key={i}>{p.text}</span>
            ),
          )}
        </span>
      ) : null}
    </>
  );
}

export const NEARLY = 'Nothing holds these words as they are typed. This holds words near to them.';
