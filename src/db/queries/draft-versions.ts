import type { VersionReason } from '@/core/drafts/history';
import { instant, type CourseId, type Instant } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { timestamptz, type Db } from '../connection';
import { docColumns } from './doc-columns';
import type { DraftKey } from './drafts';

export type VersionRecord = {
  id: string;
  keptAt: Instant;
  reason: VersionReason;
  title: string;
  words: number;
};

const where = (key: DraftKey) => ({
  author_id: key.author,
  discussion_id: key.discussion,
  kind: key.kind,
  parent_id: key.parent,
  edits: key.edits ?? null,
});

/** The versions of a draft, newest first, without their texts. */
export async function versionsOf(db: Db, key: DraftKey): Promise<VersionRecord[]> {
  const rows = await db('draft_versions')
    .where(where(key))
    .orderBy('turn', 'desc')
    .select('id', 'kept_at', 'reason', 'title', 'words');
  return rows.map((r) => ({
    id: r.id,
    keptAt: instant(r.kept_at),
    reason: r.reason,
    title: r.title,
    words: r.words,
  }));
}

/** When the newest version of a draft was kept; null where there is none. Asked at every keep. */
export async function newestVersion(db: Db, key: DraftKey): Promise<Instant | null> {
  const row = await db('draft_versions').where(where(key)).orderBy('turn', 'desc').first('kept_at');
  return row ? instant(row.kept_at) : null;
}

/** The text of one version of somebody's own. */
export async function versionText(db: Db, key: Pick<DraftKey, 'author' | 'discussion'>, id: string) {
  const row = await db('draft_versions')
    .where({ id, author_id: key.author, discussion_id: key.discussion })
    .first('title', 'doc');
  return row ? { title: row.title as string, doc: row.doc as Doc } : null;
}

export async function keepVersion(
  db: Db,
  key: DraftKey & { course: CourseId },
  version: { id: string; title: string; doc: Doc; keptAt: Instant; words: number; reason: VersionReason },
) {
  await db('draft_versions').insert({
    ...where(key),
    id: version.id,
    course_id: key.course,
    kept_at: timestamptz(version.keptAt),
    reason: version.reason,
    title: version.title,
    ...docColumns(version.doc),
    words: version.words,
  });
}

export const deleteVersions = (db: Db, ids: string[]) => db('draft_versions').whereIn('id', ids).delete();
