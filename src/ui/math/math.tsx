import { lazy, Suspense } from 'react';

// Loaded where a formula stands and nowhere else: setting them takes more script than all the rest of a page.
const Formula = lazy(() => import('./formula'));

/** A formula in a text; until it is set, as it was typed. */
export function MathText({ latex, ownLine = false }: { latex: string; ownLine?: boolean }) {
  const set = (
    <Suspense fallback={<code>{latex}</code>}>
      <Formula latex={latex} ownLine={ownLine} />
    </Suspense>
  );
  return ownLine ? (
    <div className="formula" tabIndex={0} role="group" aria-label="Formula">
      {set}
    </div>
  ) : (
    set
  );
}
