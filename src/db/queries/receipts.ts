import {
  instant,
  personId,
  postId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { CheckFigure } from '@/core/checks/types';
import type { PostKind } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import { timestamptz, type Db } from '../connection';

export type SharedVersion = {
  post: PostId;
  discussion: DiscussionId;
  slug: string;
  author: { id: PersonId; name: string };
  kind: PostKind;
  replyTo: string | null;
  n: number;
  sharedAt: Instant;
  title: string;
  doc: Doc;
  ownWords: number;
  checks: CheckFigure[];
  fingerprint: string;
};

/** One version of a post that stands here, with what a receipt says of it; the newest where none is named. */
export async function sharedVersion(db: Db, id: PostId, n: number | null): Promise<SharedVersion | null> {
  const row = await db('posts as p')
    .join('post_versions as v', 'v.post_id', 'p.id')
    .join('discussions as d', 'd.id', 'p.discussion_id')
    .join('people as a', 'a.id', 'p.author_id')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .leftJoin('people as t', 't.id', 'q.author_id')
    .where('p.id', id)
    .modify((q) => {
      if (n !== null) q.where('v.n', n);
    })
    .orderBy('v.n', 'desc')
    .first(
      'p.id',
      'p.discussion_id',
      'd.slug',
      'p.author_id',
      'a.name',
      'p.kind',
      't.name as to_name',
      'v.n',
      'v.shared_at',
      'v.title',
      'v.doc',
      'v.own_words',
      'v.checks',
      'v.fingerprint',
    );
  return row
    ? {
        post: postId(row.id),
        discussion: row.discussion_id,
        slug: row.slug,
        author: { id: personId(row.author_id), name: row.name },
        kind: row.kind,
        replyTo: row.to_name ?? null,
        n: row.n,
        sharedAt: instant(row.shared_at),
        title: row.title,
        doc: row.doc,
        ownWords: row.own_words,
        checks: row.checks,
        fingerprint: row.fingerprint,
      }
    : null;
}

export type KeyRecord = {
  id: string;
  publicKey: Record<string, unknown>;
  /** The half that signs, sealed; none once it signs no more. */
  sealedPrivate: Buffer | null;
  madeAt: Instant;
};

// What a query selects only the query knows.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
const keyOf = (row: any): KeyRecord => ({
  id: row.id,
  publicKey: row.public_key,
  sealedPrivate: row.sealed_private,
  madeAt: instant(row.made_at),
});

/** The key that signs now: the newest that still has its private half. */
export async function signingKey(db: Db): Promise<KeyRecord | null> {
  const row = await db('signing_keys').whereNotNull('sealed_private').orderBy('made_at', 'desc').first();
  return row ? keyOf(row) : null;
}

export async function keyById(db: Db, id: string): Promise<KeyRecord | null> {
  const row = await db('signing_keys').where({ id }).first();
  return row ? keyOf(row) : null;
}

/** The public halves of all keys that have signed, the newest first. */
export async function publicKeys(db: Db): Promise<Pick<KeyRecord, 'id' | 'publicKey'>[]> {
  const rows = await db('signing_keys').orderBy('made_at', 'desc').select('id', 'public_key');
  return rows.map((r) => ({ id: r.id as string, publicKey: r.public_key as KeyRecord['publicKey'] }));
}

/** A new key signs from now on; the ones before lose their private half and only verify. */
export async function replaceSigningKey(db: Db, key: KeyRecord) {
  await db.transaction(async (tx) => {
    await tx.raw('lock table signing_keys in share row exclusive mode');
    await tx('signing_keys').update({ sealed_private: null });
    await tx('signing_keys').insert({
      id: key.id,
      public_key: JSON.stringify(key.publicKey),
      sealed_private: key.sealedPrivate,
      made_at: timestamptz(key.madeAt),
    });
  });
}
