import { moment } from '../words/time';

/** A private address that programs read, as it stands on a page. */
export type FeedView = {
  /** Shown for a while after it was made, and kept nowhere. */
  address: string | null;
  madeAt: number;
  lastRead: number | null;
};

/** The address of a feed, where there is one, with the ways to make it anew and to stop it. */
export function FeedAddress(props: { feed: FeedView | null; zone: string; action: string }) {
  const { feed, zone } = props;
  return (
    <>
      {feed ? (
        <>
          {feed.address ? (
            <label className="mt-3 grid gap-1 font-semibold">
              The address
              <input className="field font-normal" readOnly value={feed.address} />
            </label>
          ) : (
            <p className="mt-3">
              There is an address, and it works. It is not shown again, for it opens this to whoever has it:
              where you lost it, make a new one.
            </p>
          )}
          <p className="mt-1 text-[13px] text-ink-2">
            Made {moment(feed.madeAt, zone)} ·{' '}
            {feed.lastRead === null
              ? 'not read by any program yet'
              : `last read ${moment(feed.lastRead, zone)}`}
          </p>
        </>
      ) : null}
      <form action={props.action} method="post" className="mt-3 flex flex-wrap gap-2">
        <button className={`btn ${feed ? '' : 'go'}`} name="do" value="make">
          {feed ? 'Make a new address (the old one stops)' : 'Make an address'}
        </button>
        {feed ? (
          <button className="btn" name="do" value="revoke">
            Stop the feed
          </button>
        ) : null}
      </form>
    </>
  );
}
