import type { Db } from '../connection';

/** A post is in sight while it is neither withdrawn nor hidden. */
export const visible = (db: Db, alias: string) =>
  db.raw(`${alias}.withdrawn_at is null and ${alias}.hidden_at is null`);
