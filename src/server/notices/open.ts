import {
  announcementsAt,
  conversationAt,
  deskAt,
  deskDiscussionAt,
  deskMarkingAt,
  moderationLogAt,
  noticesAt,
  partAt,
  questionAt,
  questionsAt,
  readingAt,
  responseAt,
} from '@/contract/addresses';
import { slugOf } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { noticeOf, seeNotices, type NoticeRecord } from '@/db/queries/notices';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';

const noteAt = ({ about }: NoticeRecord) => `${readingAt(String(about.reading))}#note-${String(about.note)}`;

/** The exact place of what a notice is about. */
export function placeOf(n: NoticeRecord): string {
  const course = slugOf(n.course);
  if (n.about.asks === 'question') return questionAt(course, Number(n.about.question), { post: n.post });
  if (n.discussion?.asks && n.kind === 'post' && n.waiting.length !== 1)
    return questionsAt(course, { show: 'unread' });
  const slug = n.discussion?.slug;
  switch (n.kind) {
    case 'announcement':
      return `${announcementsAt(course)}#${String(n.about.announcement)}`;
    case 'mail':
      return noticesAt();
    case 'request':
      return (n.about.asks === 'mark' || n.about.asks === 'again') && slug
        ? deskMarkingAt(course, slug, { student: String(n.about.student) })
        : n.about.asks === 'note'
          ? noteAt(n)
          : slug
            ? deskDiscussionAt(course, slug)
            : deskAt(course);
    case 'answer':
      if (n.about.asks === 'note') return noteAt(n);
  }
  if (!slug) return noticesAt();
  switch (n.kind) {
    case 'reply':
    case 'name':
      return conversationAt(slug, { post: n.post });
    case 'post':
      return n.waiting.length === 1
        ? conversationAt(slug, { post: n.waiting[0] ?? null })
        : conversationAt(slug, { show: 'unread' });
    case 'mark':
    case 'answer':
      return partAt(slug);
    case 'report':
      return moderationLogAt(slug);
    case 'deadline':
      return n.about.of === 'replies' ? conversationAt(slug) : responseAt(slug);
    case 'draft':
      return conversationAt(slug, { post: n.post });
    default:
      return responseAt(slug);
  }
}

/** Opens a notice: it is seen, with all of its topic, and answers where it leads. Another's notice is not found. */
export async function openNotice(deps: Deps, actor: Actor, id: number): Promise<Result<string, NotFound>> {
  const found = Number.isSafeInteger(id) ? await noticeOf(deps.db, actor.id, id) : null;
  if (!found) return fail({ code: 'not-found' });
  // New posts are seen by reading them: opened is not read.
  if (found.kind !== 'post') await seeNotices(deps.db, actor.id, { topic: found.topic }, deps.now);
  return ok(placeOf(found));
}
