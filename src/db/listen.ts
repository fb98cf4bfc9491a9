import pg from 'pg';

const AGAIN_AFTER_MS = 1_000;

/**
 * Listens on a channel of the database with a connection of its own, and connects again when it is lost. `on.ready` is called
 * after each connecting: what was told while nobody listened has to be asked for then.
 *
 * @returns stops listening
 */
export function listen(
  url: string,
  channel: string,
  on: { told: (message: string) => void; ready: () => void },
): () => void {
  let client: pg.Client | null = null;
  let again: ReturnType<typeof setTimeout> | null = null;
  let stopped = false;

  const lost = (gone: pg.Client) => {
    if (client !== gone || stopped) return;
    client = null;
    again = setTimeout(() => void connect(), AGAIN_AFTER_MS);
    void gone.end().catch(() => {});
  };
  const connect = async () => {
    const mine = new pg.Client({
      connectionString: url,
      application_name: 'pulpit live',
      keepAlive: true,
      connectionTimeoutMillis: 4_000,
    });
    client = mine;
    mine.on('error', () => lost(mine));
    mine.on('end', () => lost(mine));
    mine.on('notification', ({ payload }) => on.told(payload ?? ''));
    try {
      await mine.connect();
      await mine.query(`listen ${pg.escapeIdentifier(channel)}`);
      on.ready();
    } catch {
      lost(mine);
    }
  };
  void connect();
  return () => {
    stopped = true;
    if (again) clearTimeout(again);
    void client?.end().catch(() => {});
  };
}
