import type { NoticeLine } from '@/contract/notices';
import { isStaff, type DiscussionId, type Instant, type PostId } from '@/core/ids';
import { summarise } from '@/core/counting/summary';
import { groupNotices } from '@/core/notices/group';
import { inWords, nextStep, roughly, noticeTitle, sectionOf, type NoticeFacts } from '@/core/notices/say';
import { ask } from '@/db/ask';
import { announcementsBy, type AnnouncementRecord } from '@/db/queries/announcements';
import { openings, type NoticeRecord } from '@/db/queries/notices';
import { enterDiscussion } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** Of many new posts so many are looked at: names and beginnings of the latest. */
const MOST_OPENED = 60;
const QUOTED = 95;

export type Opening = { author: string; opening: string; plain: string; replies: number; thread: PostId };

/** What may be told of these notices beside the notices themselves, looked up as of now for one reader. */
export type Told = {
  now: Instant;
  /** Posts of theirs that the reader may read now. */
  posts: Map<PostId, Opening>;
  announcements: Map<string, AnnouncementRecord>;
  /** Discussions whose words are given: not behind a seal, and not before the reader has looked behind one themselves. */
  quotable: (notice: NoticeRecord) => boolean;
  /** Discussions that are sealed for the reader now. */
  sealed: ReadonlySet<DiscussionId>;
  /** Whether what a reminder is about is still owed, and its deadline still ahead. */
  owed: (notice: NoticeRecord) => boolean;
};

const postsOf = (n: NoticeRecord): PostId[] => (n.post === null ? n.waiting.slice(-MOST_OPENED) : [n.post]);

/** What is still owed of what reminders are about, by discussion and stop. */
async function owedIn(
  deps: Deps,
  actor: Actor,
  notices: readonly NoticeRecord[],
): Promise<ReadonlySet<string>> {
  const reminders = notices.filter((n) => n.kind === 'deadline' && Number(n.about.due) > deps.now);
  const owing = new Set<string>();
  for (const slug of new Set(reminders.flatMap((n) => n.discussion?.slug ?? []))) {
    const door = await enterDiscussion(deps, actor, slug);
    if (!door.ok || !door.value.ledger) continue;
    const { owedResponse, owedReplies } = summarise(door.value.ledger, deps.now);
    if (owedResponse) owing.add(`${door.value.record.id} response`);
    if (owedReplies > 0) owing.add(`${door.value.record.id} replies`);
  }
  return owing;
}

/** Looks up, for its reader and as of now, what notices may say. */
export async function toldOf(deps: Deps, actor: Actor, notices: readonly NoticeRecord[]): Promise<Told> {
  const { db } = deps;
  const withPosts = notices.filter((n) => postsOf(n).length > 0);
  const sealed = new Set<DiscussionId>();
  const unopened = new Set<DiscussionId>();
  for (const slug of new Set(withPosts.flatMap((n) => (n.discussion?.sealed ? [n.discussion.slug] : [])))) {
    const door = await enterDiscussion(deps, actor, slug);
    if (!door.ok) continue;
    const { record } = door.value;
    if (door.value.sealed) sealed.add(record.id);
    if (!isStaff(record.role) && !record.openedOthers) unopened.add(record.id);
  }
  const owing = await owedIn(deps, actor, notices);
  const ids = notices.flatMap((n) =>
    n.kind === 'announcement' && typeof n.about.announcement === 'string' ? [n.about.announcement] : [],
  );
  const posts = withPosts.flatMap((n) => (n.discussion && sealed.has(n.discussion.id) ? [] : postsOf(n)));
  const [opened, announced] = [
    posts.length ? await ask(openings(db, actor.id, posts)) : new Map<PostId, Opening>(),
    ids.length ? await ask(announcementsBy(db, actor.id, ids, deps.now)) : [],
  ];
  return {
    now: deps.now,
    posts: opened,
    announcements: new Map(announced.map((a) => [a.id, a])),
    sealed,
    owed: (n) => Number(n.about.due) > deps.now && owing.has(`${n.discussion?.id} ${n.about.of}`),
    // A reply to one's own post holds the post where it is anyway; other words behind a seal are seen by opening it.
    quotable: (n) =>
      n.discussion !== null &&
      // Who reads a question is for its asker to say: its words stay where they are.
      !n.discussion.asks &&
      !sealed.has(n.discussion.id) &&
      (n.kind === 'reply' || !unopened.has(n.discussion.id)),
  };
}

/**
 * Whether there is still something to tell: of posts, some that may be read; of an announcement, that it reaches its reader; of a deadline, that
 * something is owed.
 */
export function stands(n: NoticeRecord, told: Told): boolean {
  if (n.kind === 'announcement') return told.announcements.has(String(n.about.announcement));
  if (n.kind === 'deadline') return told.owed(n);
  const posts = postsOf(n);
  if (n.kind === 'post' && n.seenAt !== null) return true;
  return posts.length === 0 || posts.some((p) => told.posts.has(p));
}

const quoteOf = (opening: string) => {
  // Words that quote stand within our own quotation marks.
  const text = opening.replace(/\s+/gu, ' ').replace(/“/gu, '‘').replace(/”/gu, '’').trim();
  return text.length > QUOTED ? `${text.slice(0, QUOTED).replace(/\s\S*$/u, '')}…` : text;
};

const isOfPost = ({ kind }: NoticeRecord) => kind === 'reply' || kind === 'name' || kind === 'post';

/** Where something happened, in a word or two. */
export const placeName = ({ course, discussion }: Pick<NoticeRecord, 'course' | 'discussion'>): string =>
  discussion === null
    ? course.code
    : discussion.asks
      ? `${course.code} questions`
      : `${course.code} week ${discussion.week}`;

/** What the sentence about some notices of one topic says. */
function factsOf(group: readonly NoticeRecord[], told: Told): NoticeFacts | null {
  const [first] = group;
  if (!first) return null;
  const open = group.flatMap((n) => postsOf(n).flatMap((p) => told.posts.get(p) ?? []));
  const authors = open.map((o) => o.author);
  // Of new posts the latest stands last in its notice; notices themselves come with the latest first.
  const who =
    isOfPost(first) && open.length
      ? first.kind === 'post'
        ? authors.reverse()
        : authors
      : group.flatMap((n) => (n.by ? [n.by.name] : []));
  return {
    kind: first.kind,
    who: [...new Set(who)],
    count:
      first.seenAt === null
        ? group.reduce((sum, n) => sum + n.waiting.length, 0)
        : group.reduce((sum, n) => sum + n.posts, 0),
    course: first.course.code,
    week: first.discussion?.week ?? null,
    asks: first.discussion?.asks ?? false,
    post: first.post,
    // A reminder says how long it is from now, whenever it is read.
    about:
      first.kind === 'deadline'
        ? { ...first.about, left: roughly(Number(first.about.due) - told.now) }
        : first.about,
    title: told.announcements.get(String(first.about.announcement))?.title ?? null,
  };
}

function metaOf(group: readonly NoticeRecord[], facts: NoticeFacts, told: Told): string {
  const [first] = group;
  if (!first) return '';
  const place = placeName(first);
  switch (first.kind) {
    case 'post': {
      const posts = group.flatMap((n) => n.waiting.flatMap((p) => told.posts.get(p) ?? []));
      const lonely = posts.filter((p) => p.replies === 0).length;
      const [a, b] = facts.who;
      const more = facts.who.length - 2;
      const who =
        [a, b].filter(Boolean).join(', ') +
        (more > 0 ? ` and ${inWords(more)} ${more === 1 ? 'other' : 'others'}` : '');
      return [who, lonely ? `${lonely} ${lonely === 1 ? 'has' : 'have'} no reply yet` : '']
        .filter(Boolean)
        .join(' · ');
    }
    case 'announcement': {
      const { author, chosen } = told.announcements.get(String(first.about.announcement)) ?? {};
      return [first.course.code, author ?? '', chosen ? 'for you and some others' : 'reaches everybody']
        .filter(Boolean)
        .join(' · ');
    }
    case 'deadline':
      return [first.discussion?.title ?? '', Number(facts.about.left) > 0 ? nextStep(first.about) : '']
        .filter(Boolean)
        .join(' · ');
    case 'change':
      return [place, first.discussion?.title ?? '', first.by?.name ?? ''].filter(Boolean).join(' · ');
    case 'mail':
      return String(first.about.why ?? '');
    default:
      return first.discussion && !first.discussion.asks ? `${place} · ${first.discussion.title}` : place;
  }
}

/** The words of the latest of some notices that their reader may be shown; null where none are. */
function quoted(group: readonly NoticeRecord[], told: Told): { text: string; more: number } | null {
  const texts = group
    .filter((n) => n.kind === 'reply' || n.kind === 'name')
    .filter(told.quotable)
    .flatMap((n) => (n.post === null ? [] : (told.posts.get(n.post) ?? [])))
    .map((o) => quoteOf(o.opening))
    .filter((text) => text !== '');
  const [text] = texts;
  return text === undefined ? null : { text, more: texts.length - 1 };
}

/** Notices as lines, those of one topic together, as far as there is still something to tell. */
export function linesOf(notices: readonly NoticeRecord[], told: Told): NoticeLine[] {
  return groupNotices(notices.filter((n) => stands(n, told))).flatMap((group): NoticeLine[] => {
    const [first] = group;
    const facts = factsOf(group, told);
    if (!first || !facts) return [];
    const quote = quoted(group, told);
    return [
      {
        ids: group.map((n) => n.id),
        kind: first.kind,
        section: sectionOf(first.kind),
        title: noticeTitle(facts),
        meta: metaOf(group, facts, told),
        quote: quote && `“${quote.text}”${quote.more ? ` and ${inWords(quote.more)} more` : ''}`,
        at: first.lastAt,
        seen: first.seenAt !== null,
      },
    ];
  });
}
