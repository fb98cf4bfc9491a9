'use client';

/** An unexpected error, as a sentence with the id under which it was logged. */
export function Trouble({ id, again }: { id: string | null; again: () => void }) {
  return (
    <main id="main" className="mx-auto max-w-[640px] px-6 py-16">
      <h1 className="text-[24px]">Pulpit could not show this page</h1>
      <p className="mt-2 text-[16px] text-ink-2">
        Most often the database is out of reach for a moment. What you shared is safe, and what you wrote is
        kept on this machine until it is kept on the server.
      </p>
      {id ? <p className="mt-2 text-ink-3">If you ask somebody about it, say: {id}</p> : null}
      <p className="mt-6">
        <button type="button" className="btn go" onClick={again}>
          Try again
        </button>
      </p>
    </main>
  );
}
