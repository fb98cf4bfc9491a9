/** Saying that something is broken where one stands: quiet, and always there. */
export function Broken({ action }: { action: string }) {
  return (
    <details className="mt-2 text-[13px]">
      <summary className="link min-h-6 w-fit cursor-pointer">Something is wrong here</summary>
      <form action={action} method="post" className="mt-2 grid gap-2">
        <label className="grid gap-1 font-semibold">
          What does not work, and where
          <input
            name="said"
            required
            maxLength={600}
            className="field font-normal"
            placeholder="The second link leads nowhere."
          />
          <span className="font-normal text-ink-2">
            The staff of the course read this and who says it. You hear when it is mended.
          </span>
        </label>
        <button type="submit" className="btn justify-self-start">
          Say it
        </button>
      </form>
    </details>
  );
}
