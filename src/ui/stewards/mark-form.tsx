import { changeMarkAt, markAt } from '@/contract/addresses';
import { Plate } from './frame';

/** The college's mark, as it stands at its door: on the sign-in page, on invitations and on every page before one is in. */
export function MarkForm({ mark }: { mark: string | null }) {
  return (
    <Plate id="mark" title="The mark">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-3 px-5 py-4">
        {mark ? (
          // Drawn here when it was brought.
          // eslint-disable-next-line @next/next/no-img-element
          <img src={markAt({ v: mark })} alt="The mark as it is now" className="max-h-14 max-w-[200px]" />
        ) : (
          <p className="text-ink-2">There is none: the college’s name stands alone.</p>
        )}
        <form
          action={changeMarkAt()}
          method="post"
          encType="multipart/form-data"
          className="flex flex-wrap items-center gap-2"
        >
          <input
            type="file"
            name="file"
            accept="image/*"
            required
            aria-label="A picture of the mark"
            className="max-w-full text-[13px]"
          />
          <button type="submit" className="btn">
            Keep it
          </button>
        </form>
        {mark ? (
          <form action={changeMarkAt()} method="post" encType="multipart/form-data">
            <button type="submit" name="do" value="away" className="btn">
              Without a mark
            </button>
          </form>
        ) : null}
      </div>
    </Plate>
  );
}
