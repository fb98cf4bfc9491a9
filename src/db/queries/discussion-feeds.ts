import { instant, personId, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';
import type { FeedRecord } from './feeds';

type Owner = { course: CourseId; discussion: DiscussionId; person: PersonId };

export async function discussionFeedOf(db: Db, owner: Owner): Promise<FeedRecord | null> {
  const row = await db('discussion_feeds')
    .where({ person_id: owner.person, discussion_id: owner.discussion })
    .first();
  return row
    ? {
        tokenHash: row.token_hash,
        madeAt: instant(row.made_at),
        lastRead: row.last_read === null ? null : instant(row.last_read),
      }
    : null;
}

/** A new secret address; the one before is dead from then on. */
export async function makeDiscussionFeed(db: Db, owner: Owner, tokenHash: Buffer, now: Instant) {
  await db('discussion_feeds')
    .insert({
      person_id: owner.person,
      course_id: owner.course,
      discussion_id: owner.discussion,
      token_hash: tokenHash,
      made_at: timestamptz(now),
      last_read: null,
    })
    .onConflict(['person_id', 'discussion_id'])
    .merge();
}

export async function deleteDiscussionFeed(db: Db, owner: Owner) {
  await db('discussion_feeds').where({ person_id: owner.person, discussion_id: owner.discussion }).delete();
}

/** Whose feed of which discussion a token opens, with the demo clock's offset. */
export async function discussionFeedReader(db: Db, tokenHash: Buffer) {
  const row = await db('discussion_feeds as f')
    .join('people as p', 'p.id', 'f.person_id')
    .join('discussions as d', 'd.id', 'f.discussion_id')
    .where('f.token_hash', tokenHash)
    .first(
      'p.id',
      'p.name',
      'p.time_zone',
      'd.slug',
      db.raw('coalesce((select offset_ms from demo_clock), 0) as clock_offset'),
    );
  return row
    ? {
        person: personId(row.id),
        name: row.name as string,
        timeZone: row.time_zone as string,
        slug: row.slug as string,
        clockOffset: Number(row.clock_offset),
      }
    : null;
}

export const noteDiscussionFeedRead = (db: Db, tokenHash: Buffer, now: Instant) =>
  db('discussion_feeds')
    .where({ token_hash: tokenHash })
    .update({ last_read: timestamptz(now) });
