import { moment } from '../words/time';

/** A private address that programs read, as it stands on a page. */
export type FeedView = { address: string; madeAt: number; lastRead: number | null };

/** The address of a feed, where there is one, with the ways to make it anew and to stop it. */
export function FeedAddress(props: { feed: FeedView | null; zone: string; action: string }) {
  const { feed, zone } = props;
  return (
    <>
      {feed ? (
        <>
          <label className="mt-3 grid gap-1 font-semibold">
            The address
            <input className="field font-normal" readOnly value={feed.address} />
          </label>
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
