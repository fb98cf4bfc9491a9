import { findAt } from '@/contract/addresses';
import Link from 'next/link';
import { HitLine, NEARLY } from './hit-line';
import { hitsOf, type Hit } from './hits';
import type { Found } from '@/contract/find';

/** Find as a page: the same results under an address, and without scripts. */
export function FindPage({ found, typed, zone }: { found: Found; typed: string; zone: string }) {
  const hits = hitsOf(found, typed, zone);
  const groups = [...new Set(hits.map((h) => h.group))];
  return (
    <main id="main" className="mx-auto grid max-w-[760px] gap-4 px-4 py-6 sm:px-7">
      <h1 className="text-[25px]">Find</h1>
      <form action={findAt()} className="flex gap-2">
        <input
          className="field"
          name="q"
          defaultValue={typed}
          aria-label="Find prompts, posts, people, readings and places"
          placeholder="Words, “a phrase”, from:name, in:course"
        />
        <button className="btn go" type="submit">
          Find
        </button>
      </form>
      {found.nearly ? <p className="text-[13px] text-ink-2">{NEARLY}</p> : null}
      {groups.map((group) => (
        <section key={group} aria-label={group}>
          <h2 className="mb-1.5 text-[16px]">{group}</h2>
          <ul className="plate">
            {hits
              .filter((h): h is Hit => h.group === group)
              .map((hit) => (
                <li key={hit.key} className="border-t border-rule-soft first:border-t-0">
                  <Link href={hit.href} className="block px-4 py-2.5 hover:bg-page-2">
                    <HitLine hit={hit} />
                  </Link>
                </li>
              ))}
          </ul>
        </section>
      ))}
      {hits.length === 0 ? (
        <p className="plate px-5 py-4 text-ink-2">
          Nothing found. Sealed posts are not searched until you share your response.
        </p>
      ) : null}
    </main>
  );
}
